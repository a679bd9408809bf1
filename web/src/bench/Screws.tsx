import type { Item } from "../api/types";
import { asButton } from "./asButton";
import type { Eye } from "./fit";

/** The screws counted off on the drawing, in their order and pass. */
export function Screws({
	numbers,
	eye,
	at,
	all,
	onTap,
}: {
	/** The numbers of the tightening order, as drawn. */
	numbers: Item[];
	eye: Eye;
	/** Which one is next; 0 for none. */
	at: number;
	/** Every one is done. */
	all: boolean;
	onTap?: () => void;
}) {
	const spots = numbers
		.map((i) => ({
			n: Number(i.text),
			...eye.at(i.points[0] ?? { x: 0, y: 0 }),
		}))
		.sort((a, b) => a.n - b.n);
	const r = spots.length > 12 ? 15 : 22;
	return (
		<g>
			<polyline
				points={spots.map((s) => `${s.x},${s.y}`).join(" ")}
				fill="none"
				stroke="var(--computed)"
				strokeWidth={2}
				strokeDasharray="2 6"
			/>
			{spots.map((s) => {
				const done = all || (at > 0 && s.n < at);
				const now = !all && s.n === at;
				return (
					<g
						key={s.n}
						data-screw-drawn={s.n}
						data-state={done ? "done" : now ? "now" : "ahead"}
						aria-label={`screw ${s.n}, ${done ? "done" : now ? "next" : "ahead"}`}
						{...asButton(now ? onTap : undefined)}
					>
						<circle
							cx={s.x}
							cy={s.y}
							r={now ? r + 8 : r}
							fill={done ? "var(--now)" : now ? "var(--tape)" : "var(--lit)"}
							stroke="var(--ink)"
							strokeWidth={now ? 4 : 2}
						/>
						<text
							x={s.x}
							y={s.y}
							dy="0.36em"
							textAnchor="middle"
							fontSize={now ? r + 4 : r - 1}
							fontWeight={700}
							fill={
								done ? "var(--on-now)" : now ? "var(--on-tape)" : "var(--ink)"
							}
						>
							{done ? "✓" : s.n}
						</text>
					</g>
				);
			})}
		</g>
	);
}
