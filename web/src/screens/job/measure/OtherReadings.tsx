import type { View } from "../../../api/types";
import type { Tape } from "./useTape";

/** Readings that have no line on the plan, as words to tap. */
export function OtherReadings({ view, tape }: { view: View; tape: Tape }) {
	const { job } = view;
	const drawn = new Set(view.reckoning.table.items.map((i) => i.place));
	const rest = view.reckoning.walk.filter((p) => !drawn.has(p.place));
	if (rest.length === 0) return null;
	return (
		<section
			aria-label="Other readings"
			className="flex flex-wrap gap-x-1 border-t border-rule px-4 py-1 sm:px-7"
		>
			{rest.map((p) => {
				const r = view.pane.readings.find((x) => x.place === p.place);
				const active = tape.place === p.place && !job.signed;
				return (
					<button
						key={p.place}
						type="button"
						aria-pressed={active}
						disabled={job.signed}
						onClick={() => tape.pick(p.place)}
						data-place={p.place}
						className={`min-h-11 shrink-0 border-b-4 px-2 text-left text-[0.9375rem] leading-4 ${active ? "border-now bg-now-wash" : "border-transparent"}`}
					>
						<span className="text-ink-2">{p.name}</span>
						<span
							className={`font-figure block text-[1.0625rem] font-semibold ${r ? "text-wax" : p.needed ? "text-ink" : "text-ink-3"}`}
						>
							{r ? r.reading.text : p.needed ? "to read" : "–"}
						</span>
					</button>
				);
			})}
		</section>
	);
}
