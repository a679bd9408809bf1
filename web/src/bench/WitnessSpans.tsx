import type { Joined } from "../api/types";

const row = 24;
const across = 380;
const name = 150;

/** Each witness as the span that it leaves open, beside one another, to one scale. */
export function WitnessSpans({ joined }: { joined: Joined }) {
	const ends = joined.says.flatMap((s) => [s.size - s.doubt, s.size + s.doubt]);
	const least = Math.min(joined.size - joined.doubt, ...ends);
	const most = Math.max(joined.size + joined.doubt, ...ends);
	const scale = (across - name - 8) / Math.max(0.001, most - least);
	const x = (v: number) => name + 4 + (v - least) * scale;
	const height = joined.says.length * row + 4;
	return (
		<svg
			viewBox={`0 0 ${across} ${height}`}
			role="img"
			aria-label={joined.says
				.map((s) => `${s.name} ${s.size.toFixed(1)} ±${s.doubt.toFixed(1)} mm`)
				.join("; ")}
			className="lit my-2 w-full max-w-[420px]"
		>
			<rect
				x={x(joined.size - joined.doubt)}
				y={0}
				width={Math.max(2, 2 * joined.doubt * scale)}
				height={height}
				fill="var(--now-wash)"
			/>
			<path d={`M${x(joined.size)} 0V${height}`} stroke="var(--computed)" />
			{joined.says.map((s, n) => {
				const y = n * row + row / 2 + 2;
				const tone = s.liar ? "var(--stop)" : "var(--wax)";
				return (
					// biome-ignore lint/suspicious/noArrayIndexKey: one kind may speak twice
					<g key={n}>
						<text
							x={2}
							y={y}
							dy="0.36em"
							fontSize={13}
							fill={s.liar ? "var(--stop)" : "var(--ink-2)"}
						>
							{s.liar ? "✗ " : ""}
							{short(s.name)}
						</text>
						<path
							d={`M${x(s.size - s.doubt)} ${y}H${x(s.size + s.doubt)}`}
							stroke={tone}
							strokeWidth={s.liar ? 3 : 5}
							strokeDasharray={s.liar ? "5 4" : undefined}
						/>
						<circle
							cx={x(s.size)}
							cy={y}
							r={5}
							fill="var(--lit)"
							stroke={tone}
							strokeWidth={2}
						/>
					</g>
				);
			})}
		</svg>
	);
}

/** A name that fits beside its span. */
function short(s: string): string {
	const bare = s.replace(/^the |^a /, "");
	return bare.length > 21 ? `${bare.slice(0, 20)}…` : bare;
}
