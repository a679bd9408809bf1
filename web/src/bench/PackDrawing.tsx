import type { Coated, PackOut } from "../api/types";

const h = 300;

/** The pack cut through, hot side left, with each face's temperature. */
export function PackDrawing({
	panes,
	gaps,
	cavity,
	room,
	result,
	here = 0,
	narrow = false,
}: {
	panes: Coated[];
	gaps: number[];
	cavity: number;
	room: number;
	result: PackOut["result"];
	here?: number;
	narrow?: boolean;
}) {
	const w = narrow ? 400 : 640;
	const left = narrow ? 58 : 96;
	const right = narrow ? 62 : 104;
	const total =
		panes.reduce((s, p) => s + p.thickness, 0) +
		gaps.reduce((s, g) => s + g, 0);
	const k = Math.min(14, (w - left - right) / Math.max(total, 1));
	let x = left;
	const hot = cavity;
	const cool = Math.min(room, result.touch);
	const y = (t: number) =>
		34 + (1 - (t - cool) / Math.max(1, hot - cool)) * (h - 84);
	const path: string[] = [`M0 ${y(hot)}H${left - 34}`];
	const parts = panes.map((p, n) => {
		const face = result.faces[n];
		const x0 = x;
		const x1 = x0 + p.thickness * k;
		x = x1 + (gaps[n] ?? 0) * k;
		if (!face) return null;
		path.push(`L${x0} ${y(face.hot)}L${x1} ${y(face.cold)}`);
		const over = face.left < 0;
		return (
			// biome-ignore lint/suspicious/noArrayIndexKey: a pane is its place
			<g key={n}>
				<rect
					x={x0}
					y={24}
					width={x1 - x0}
					height={h - 64}
					fill={over ? "var(--stop-wash)" : "var(--fill-green)"}
					stroke={over ? "var(--stop)" : "var(--edge-green)"}
					strokeWidth={2.5}
				/>
				{p.coat !== "none" && (
					<line
						x1={p.coat === "hot" ? x0 : x1}
						x2={p.coat === "hot" ? x0 : x1}
						y1={24}
						y2={h - 40}
						stroke="var(--wax)"
						strokeWidth={5}
						strokeDasharray="9 4"
					/>
				)}
				{n + 1 === here && (
					<path
						d={`M${(x0 + x1) / 2 - 9} 4h18l-9 16z`}
						fill="var(--now)"
						data-here={here}
					/>
				)}
				<text
					x={(x0 + x1) / 2}
					y={h - 20}
					textAnchor="middle"
					fontSize={15}
					fill="var(--ink)"
				>
					{Math.round(face.hot)}–{Math.round(face.cold)}
					{narrow ? "°" : " °C"}
				</text>
			</g>
		);
	});
	path.push(`L${x + 34} ${y(room)}H${w}`);
	const says = panes
		.map(
			(_, n) =>
				`pane ${n + 1} ${Math.round(result.faces[n]?.hot ?? 0)} to ${Math.round(result.faces[n]?.cold ?? 0)} °C`,
		)
		.join(", ");
	return (
		<div className="lit">
			<svg
				viewBox={`0 0 ${w} ${h}`}
				role="img"
				aria-label={`The pack from the heat outwards: ${says}`}
				className="w-full"
			>
				<text x={6} y={y(hot) - 10} fontSize={15} fill="var(--ink-2)">
					{narrow ? "" : "heat "}
					{Math.round(cavity)} °C
				</text>
				<text
					x={w - 6}
					y={y(room) + (narrow ? 20 : -10)}
					textAnchor="end"
					fontSize={15}
					fill="var(--ink-2)"
				>
					{narrow ? "" : "room "}
					{Math.round(room)} °C
				</text>
				{parts}
				<path
					d={path.join("")}
					fill="none"
					stroke="var(--wax)"
					strokeWidth={2.5}
				/>
			</svg>
		</div>
	);
}
