import type { Item, Point } from "../api/types";
import { asButton } from "./asButton";
import type { Eye } from "./fit";

/** The screw that a number belongs to: the one that is drawn nearest to it. */
function nearest(number: Item, fixings: Item[]): Point {
	const at = number.points[0] ?? { x: 0, y: 0 };
	let best = at;
	let far = Number.POSITIVE_INFINITY;
	for (const f of fixings) {
		const p = f.points[0];
		if (!p) continue;
		const d = Math.hypot(p.x - at.x, p.y - at.y);
		if (d < far) {
			far = d;
			best = p;
		}
	}
	return best;
}

/** The screws counted off on the drawing, in their order and pass. */
export function Screws({
	numbers,
	fixings,
	eye,
	at,
	all,
	onTap,
}: {
	/** The numbers of the tightening order, as drawn. */
	numbers: Item[];
	/** What is drawn of the screws themselves. */
	fixings: Item[];
	eye: Eye;
	/** Which one is next; 0 for none. */
	at: number;
	/** Every one is done. */
	all: boolean;
	onTap?: () => void;
}) {
	const spots = numbers
		.map((i) => ({ n: Number(i.text), ...eye.at(nearest(i, fixings)) }))
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
