import type { SashPart } from "../api/types";

/** Drawn for a part that nobody knows yet, mm. */
const unknownLight = 240;
const unknownBar = 24;

type Props = { across: SashPart[]; down: SashPart[] };

function sizeOf(p: SashPart, n: number): number {
	if (p.known && p.value > 0) return p.value;
	return n % 2 === 1 ? unknownLight : unknownBar;
}

function starts(parts: SashPart[]): number[] {
	let at = 0;
	return parts.map((p, n) => {
		const from = at;
		at += sizeOf(p, n);
		return from;
	});
}

/** The sash to scale, its lights numbered; open sizes are dashed. */
export function SashDrawing({ across, down }: Props) {
	const xs = starts(across);
	const ys = starts(down);
	const w = across.reduce((s, p, n) => s + sizeOf(p, n), 0);
	const h = down.reduce((s, p, n) => s + sizeOf(p, n), 0);
	const unit = Math.max(w, h) / 100;
	const columns = across
		.map((p, n) => ({ p, n }))
		.filter(({ n }) => n % 2 === 1);
	const rows = down.map((p, n) => ({ p, n })).filter(({ n }) => n % 2 === 1);
	return (
		<svg
			viewBox={`${-14 * unit} ${-7 * unit} ${w + 16 * unit} ${h + 9 * unit}`}
			className="lit max-h-[420px] w-full"
			role="img"
			aria-label={`a sash of ${columns.length} by ${rows.length} lights`}
		>
			<rect
				width={w}
				height={h}
				fill="var(--metal)"
				stroke="var(--ink)"
				strokeWidth={unit * 0.4}
			/>
			{rows.map((r, j) =>
				columns.map((c, i) => {
					const known = c.p.known && r.p.known;
					const inferred = !c.p.direct || !r.p.direct;
					return (
						<g key={`${c.n} ${r.n}`}>
							<rect
								x={xs[c.n]}
								y={ys[r.n]}
								width={sizeOf(c.p, c.n)}
								height={sizeOf(r.p, r.n)}
								fill={known ? "var(--fill-green)" : "var(--lit)"}
								stroke={known ? "var(--edge-green)" : "var(--ink-3)"}
								strokeWidth={unit * 0.6}
								strokeDasharray={known ? undefined : `${2 * unit} ${unit}`}
							/>
							<text
								x={(xs[c.n] ?? 0) + sizeOf(c.p, c.n) / 2}
								y={(ys[r.n] ?? 0) + sizeOf(r.p, r.n) / 2}
								dy="0.36em"
								textAnchor="middle"
								fontSize={unit * 4.4}
								fontWeight={600}
								fill={inferred ? "var(--computed)" : "var(--ink-2)"}
							>
								{j * columns.length + i + 1}
							</text>
						</g>
					);
				}),
			)}
			{columns.map(({ p, n }) => (
				<text
					key={n}
					x={(xs[n] ?? 0) + sizeOf(p, n) / 2}
					y={-1.6 * unit}
					textAnchor="middle"
					fontFamily="var(--font-figure)"
					fontSize={unit * 3.6}
					fontWeight={600}
					fill={p.direct ? "var(--wax)" : "var(--computed)"}
				>
					{p.known ? p.shown.main : "?"}
				</text>
			))}
			{rows.map(({ p, n }) => (
				<text
					key={n}
					x={-1.6 * unit}
					y={(ys[n] ?? 0) + sizeOf(p, n) / 2}
					dy="0.36em"
					textAnchor="end"
					fontFamily="var(--font-figure)"
					fontSize={unit * 3.6}
					fontWeight={600}
					fill={p.direct ? "var(--wax)" : "var(--computed)"}
				>
					{p.known ? p.shown.main : "?"}
				</text>
			))}
		</svg>
	);
}
