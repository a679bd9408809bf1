import type { CutView } from "../api/types";
import { useLengths } from "../app/length";
import { cutNodes } from "./cutNodes";

/**
 * A tube along its length, to scale that way alone: what comes off it from the left
 * end, the next cut thick with its measure.
 */
export function TubeDrawing({
	plan,
	sheet,
	size,
}: {
	plan: CutView;
	sheet: number;
	size: { w: number; h: number };
}) {
	const lengths = useLengths();
	const tube = plan.plan.sheets[sheet];
	if (!tube || size.w < 60) return null;
	const scale = (size.w - 60) / tube.w;
	const x = (mm: number) => 30 + mm * scale;
	const bore = Math.min(64, size.h / 5);
	const top = size.h / 2 - bore / 2;
	const { leaves, cuts, made, next, now } = cutNodes(plan, sheet);
	return (
		// biome-ignore lint/a11y/useSemanticElements: a drawing is a group of parts, not of form fields
		<svg
			width={size.w}
			height={size.h}
			role="group"
			aria-label={`${plan.stocks[tube.stock] ?? "tube"}, with ${leaves.filter((p) => p.node.kind === "piece").length} lengths`}
			data-tube={sheet}
		>
			{leaves.map(({ node, free, path }, i) => {
				const pane = node.piece ? plan.panes[node.piece] : undefined;
				const wide = node.w * scale > 60;
				return (
					<g key={path || "whole"} data-leaf={node.kind}>
						<rect
							x={x(node.x)}
							y={top}
							width={node.w * scale}
							height={bore}
							fill={
								node.kind === "piece"
									? free
										? "var(--now-wash)"
										: "var(--lit)"
									: "var(--unlit)"
							}
						/>
						{wide && (
							<text
								x={x(node.x + node.w / 2)}
								y={top + bore + 26 + (i % 2) * 22}
								textAnchor="middle"
								fontSize={15}
								fontWeight={pane ? 700 : 400}
								fill="var(--ink)"
							>
								{pane ? pane.size : `${lengths.said(node.w)} left`}
							</text>
						)}
					</g>
				);
			})}
			<path
				d={`M${x(0)} ${top}H${x(tube.w)}M${x(0)} ${top + bore}H${x(tube.w)}`}
				stroke="var(--edge-amber)"
				strokeWidth={5}
			/>
			<path
				d={`M${x(0)} ${top}V${top + bore}M${x(tube.w)} ${top}V${top + bore}`}
				stroke="var(--edge-amber)"
				strokeWidth={2}
			/>
			{cuts.map(({ node, path }) => (
				<path
					key={path || "first"}
					d={`M${x(node.x + (node.at ?? 0))} ${top - 8}V${top + bore + 8}`}
					stroke={path === next ? "var(--wax)" : "var(--ink)"}
					strokeWidth={path === next ? 6 : made.has(path) ? 2.5 : 1}
					strokeDasharray={path === next || made.has(path) ? undefined : "5 4"}
					data-cut={path || "first"}
				/>
			))}
			{now && plan.next && (
				<g>
					<path
						d={`M${x(now.node.x)} ${top - 36}v14M${x(now.node.x)} ${top - 29}H${x(now.node.x + (now.node.at ?? 0))}v-7v14`}
						fill="none"
						stroke="var(--wax)"
						strokeWidth={2.5}
					/>
					<text
						x={x(now.node.x + (now.node.at ?? 0) / 2)}
						y={top - 40}
						textAnchor="middle"
						fontSize={17}
						fontWeight={800}
						fill="var(--wax)"
					>
						{plan.next.at.main} {plan.next.at.unit}
					</text>
				</g>
			)}
		</svg>
	);
}
