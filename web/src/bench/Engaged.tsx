import type { View } from "../api/types";

/** How deep a pocket is drawn, and how far what stands in it, px. */
const pocket = 34;
const stands = 22;

/**
 * A pane or a tube that stands in a pocket above and one below: how much of it is
 * in each, and the clearance at its sides where it has some.
 */
export function Engaged({
	reckoning,
	width,
	height,
}: {
	reckoning: View["reckoning"];
	width: number;
	height: number;
}) {
	const { fit, material, gap_w, figures } = reckoning;
	const tube = fit.form === "tube";
	const said = (...keys: string[]) =>
		figures.find((f) => keys.includes(f.key))?.text ?? "";
	const open = height - 2 * pocket - 20;
	const w = tube
		? 30
		: Math.min(width - 150, (open * fit.order.w) / fit.order.h);
	const x = (width - w) / 2;
	const top = pocket + 10;
	const frame = { fill: "var(--metal)", stroke: "var(--ink)", strokeWidth: 2 };
	const beside = { x: x + w + 16, dy: "0.36em" };
	return (
		<g data-evenness="engaged">
			{[top - pocket, top + open].map((y) => (
				<rect
					key={y}
					x={x - 18}
					y={y}
					width={w + 36}
					height={pocket}
					{...frame}
				/>
			))}
			<rect
				x={x}
				y={top - stands}
				width={w}
				height={open + 2 * stands}
				fill={`var(--fill-${material.edge})`}
				stroke={`var(--edge-${material.edge})`}
				strokeWidth={3.5}
			/>
			<g fontSize={18} fontWeight={700} fill="var(--computed)">
				<text {...beside} y={top + 26}>
					{said("engage_head", "engage_ends")}
				</text>
				<text {...beside} y={top + open - 26}>
					{said("engage_foot", "engage_ends")}
				</text>
				{!tube && (
					<text x={x + 12} y={top + open / 2} dy="0.36em">
						{gap_w.main} {gap_w.unit}
					</text>
				)}
			</g>
		</g>
	);
}

/** Whether a pane stands in pockets above and below, with no gap all round it. */
export const isEngaged = ({ fit }: View["reckoning"]) =>
	fit.ready && fit.lift !== undefined;
