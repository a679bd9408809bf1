import type { CutNode, CutView, ToCut } from "../api/types";
import { useLengths } from "../app/length";
import { asButton } from "./asButton";
import { cutNodes } from "./cutNodes";

type Box = { w: number; h: number };

/** Room round the sheet for its measure, px. */
const room = 34;

/**
 * A sheet to scale with what comes out of it: what is cut free lies in full colour, the
 * next cut is drawn thick with its measure, what is kept is hatched.
 */
export function SheetDrawing({
	plan,
	sheet,
	size,
	picked,
	onPick,
}: {
	plan: CutView;
	sheet: number;
	size: Box;
	picked?: string;
	onPick?: (piece: string) => void;
}) {
	const s = plan.plan.sheets[sheet];
	if (!s || size.w < 60) return null;
	const scale = Math.min((size.w - 2 * room) / s.w, (size.h - 2 * room) / s.h);
	const left = (size.w - s.w * scale) / 2;
	const top = (size.h - s.h * scale) / 2;
	const x = (v: number) => left + v * scale;
	const y = (v: number) => top + (s.h - v) * scale;
	const { leaves, cuts, made, next, now: at } = cutNodes(plan, sheet);
	return (
		// biome-ignore lint/a11y/useSemanticElements: a drawing is a group of parts, not of form fields
		<svg
			width={size.w}
			height={size.h}
			role="group"
			aria-label={`${plan.stocks[s.stock] ?? "sheet"}, with ${leaves.filter((l) => l.node.kind === "piece").length} panes`}
			data-sheet={sheet}
		>
			<defs>
				<pattern
					id="kept"
					width="9"
					height="9"
					patternUnits="userSpaceOnUse"
					patternTransform="rotate(45)"
				>
					<path d="M0 0V9" stroke="var(--edge-green)" strokeWidth="1.4" />
				</pattern>
			</defs>
			{leaves.map((l) => (
				<Leaf
					key={l.path || "root"}
					node={l.node}
					free={l.free}
					plan={plan}
					box={{
						x: x(l.node.x),
						y: y(l.node.y + l.node.h),
						w: l.node.w * scale,
						h: l.node.h * scale,
					}}
					picked={picked !== undefined && picked === l.node.piece}
					onPick={onPick}
				/>
			))}
			{cuts.map((c) => {
				const n = c.node;
				const d = n.up
					? `M${x(n.x + (n.at ?? 0))} ${y(n.y)}V${y(n.y + n.h)}`
					: `M${x(n.x)} ${y(n.y + (n.at ?? 0))}H${x(n.x + n.w)}`;
				const now = c.path === next;
				return (
					<path
						key={c.path || "first"}
						d={d}
						stroke={now ? "var(--wax)" : "var(--ink)"}
						strokeWidth={now ? 6 : made.has(c.path) ? 2.5 : 1}
						strokeDasharray={now || made.has(c.path) ? undefined : "5 4"}
						data-cut={c.path || "first"}
					/>
				);
			})}
			<rect
				x={x(0)}
				y={y(s.h)}
				width={s.w * scale}
				height={s.h * scale}
				fill="none"
				stroke="var(--edge-green)"
				strokeWidth={3.5}
			/>
			{at && plan.next && (
				<Measure
					node={at.node}
					says={`${plan.next.at.main} ${plan.next.at.unit}`}
					x={x}
					y={y}
				/>
			)}
		</svg>
	);
}

/** The measure to set, from the edge to the cut. */
function Measure({
	node,
	says,
	x,
	y,
}: {
	node: CutNode;
	says: string;
	x: (v: number) => number;
	y: (v: number) => number;
}) {
	const to = node.at ?? 0;
	const text = {
		fontSize: 17,
		fontWeight: 800,
		fill: "var(--wax)",
		stroke: "var(--lit)",
		strokeWidth: 5,
		paintOrder: "stroke" as const,
	};
	if (node.up) {
		const line = y(node.y + node.h) - 14;
		const [a, b] = [x(node.x), x(node.x + to)];
		return (
			<g>
				<path
					d={`M${a} ${line - 7}v14M${a} ${line}H${b}M${b} ${line - 7}v14`}
					stroke="var(--wax)"
					strokeWidth={2.5}
				/>
				<text x={(a + b) / 2} y={line - 6} textAnchor="middle" {...text}>
					{says}
				</text>
			</g>
		);
	}
	const line = x(node.x) - 14;
	const [a, b] = [y(node.y), y(node.y + to)];
	return (
		<g>
			<path
				d={`M${line - 7} ${a}h14M${line} ${a}V${b}M${line - 7} ${b}h14`}
				stroke="var(--wax)"
				strokeWidth={2.5}
			/>
			<text x={line + 8} y={(a + b) / 2} dy="0.36em" {...text}>
				{says}
			</text>
		</g>
	);
}

function Leaf({
	node,
	free,
	plan,
	box,
	picked,
	onPick,
}: {
	node: CutNode;
	free: boolean;
	plan: CutView;
	box: { x: number; y: number; w: number; h: number };
	picked: boolean;
	onPick?: (piece: string) => void;
}) {
	const lengths = useLengths();
	const pane = node.piece ? plan.panes[node.piece] : undefined;
	const fill =
		node.kind === "piece"
			? free
				? "var(--now-wash)"
				: "var(--lit)"
			: node.kind === "offcut"
				? "url(#kept)"
				: "var(--unlit)";
	const name = pane
		? pane.name
			? `${short(pane.object)}, ${pane.name}`
			: short(pane.object)
		: node.kind === "offcut"
			? "offcut to keep"
			: "";
	const wide = box.w > 92 && box.h > 40;
	const pick = node.piece && onPick ? () => onPick(node.piece ?? "") : null;
	return (
		<g
			{...asButton(pick ?? undefined, picked)}
			data-piece={node.piece}
			data-leaf={node.kind}
			// Where the words stand on it, they are its name.
			aria-label={
				pane && !wide
					? `${pane.object}${pane.name ? `, ${pane.name}` : ""}, ${lengths.said(node.w, node.h)}${free ? ", cut free" : ""}`
					: undefined
			}
		>
			<rect
				x={box.x}
				y={box.y}
				width={Math.max(0, box.w)}
				height={Math.max(0, box.h)}
				fill={fill}
				stroke={picked ? "var(--now)" : "none"}
				strokeWidth={picked ? 5 : 0}
			/>
			{pane?.shape && <InBlank node={node} shape={pane.shape} box={box} />}
			{wide && name && (
				<text
					x={box.x + box.w / 2}
					y={box.y + box.h / 2}
					textAnchor="middle"
					fontSize={15}
					fontWeight={700}
					fill="var(--ink)"
					stroke="var(--lit)"
					strokeWidth={4}
					paintOrder="stroke"
				>
					<tspan x={box.x + box.w / 2} dy="-0.2em">
						{fit(name, box.w)}{" "}
					</tspan>
					<tspan
						x={box.x + box.w / 2}
						dy="1.3em"
						fontWeight={500}
						fontSize={14}
					>
						{pane
							? pane.size
							: `${lengths.one(node.w)} × ${lengths.one(node.h)}`}
					</tspan>
				</text>
			)}
		</g>
	);
}

/** A shape in its blank: the outline, and what is scored beside it. */
function InBlank({
	node,
	shape,
	box,
}: {
	node: CutNode;
	shape: NonNullable<ToCut["shape"]>;
	box: { x: number; y: number; w: number; h: number };
}) {
	const scale = box.w / node.w;
	// A blank that lies on its side was turned a quarter to the left.
	const at = (p: { x: number; y: number }) =>
		node.turned
			? `${box.x + box.w - p.y * scale} ${box.y + box.h - p.x * scale}`
			: `${box.x + p.x * scale} ${box.y + box.h - p.y * scale}`;
	const path = (line: { x: number; y: number }[]) =>
		line.map((p, i) => `${i ? "L" : "M"}${at(p)}`).join("");
	return (
		<g fill="none" data-scores={shape.scores?.length ?? 0}>
			{shape.scores?.map((s) => (
				<path
					key={`${s.kind} ${s.line?.map((p) => `${p.x},${p.y}`)}`}
					d={path(s.line ?? [])}
					stroke="var(--ink-2)"
					strokeWidth={1.2}
					strokeDasharray="3 3"
				/>
			))}
			<path
				d={`${path(shape.outline ?? [])}Z`}
				stroke="var(--ink)"
				strokeWidth={2}
			/>
		</g>
	);
}

function short(s: string): string {
	return s.split(",")[0] ?? s;
}

function fit(s: string, w: number): string {
	const most = Math.max(4, Math.floor(w / 8.4));
	return s.length > most ? `${s.slice(0, most - 1)}…` : s;
}
