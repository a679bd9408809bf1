import { useState } from "react";
import type { View } from "../../api/types";
import { DutySheet } from "./DutySheet";
import { HeldSheet } from "./HeldSheet";
import { HistorySheet } from "./HistorySheet";
import { RoadSheet } from "./RoadSheet";
import { SeesSheet } from "./SeesSheet";
import type { Tape } from "./useTape";

type Open = "road" | "held" | "sees" | "duty" | "history" | null;

/** Readings that have no line on the plan, and the facts, as words to tap. */
export function TableTools({ view, tape }: { view: View; tape: Tape }) {
	const [open, setOpen] = useState<Open>(null);
	const { job } = view;
	const drawn = new Set(view.reckoning.table.items.map((i) => i.place));
	const rest = view.reckoning.walk.filter((p) => !drawn.has(p.place));
	const way = "min-h-11 shrink-0 underline underline-offset-4 hover:text-ink";
	return (
		<div className="border-t border-rule px-4 sm:px-7">
			<section
				aria-label="Other readings"
				// biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by the keyboard
				tabIndex={0}
				className="flex gap-x-1 overflow-x-auto py-1"
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
							className={`min-h-11 shrink-0 border-b-4 px-2 text-left text-[15px] leading-4 ${active ? "border-now bg-now-wash" : "border-transparent"}`}
						>
							<span className="text-ink-2">{p.name}</span>
							<span
								className={`font-figure block text-[17px] font-semibold ${r ? "text-wax" : p.needed ? "text-ink" : "text-ink-3"}`}
							>
								{r ? r.reading.text : p.needed ? "to read" : "–"}
							</span>
						</button>
					);
				})}
			</section>
			<div className="flex gap-x-5 overflow-x-auto border-t border-rule text-[15px] text-ink-2">
				<button type="button" className={way} onClick={() => setOpen("road")}>
					{view.reckoning.road.name.toLowerCase()}
				</button>
				<button type="button" className={way} onClick={() => setOpen("held")}>
					{heldWords(view)}
				</button>
				<button type="button" className={way} onClick={() => setOpen("sees")}>
					sees {Math.round(job.object.exposure.steady)} °C
					{job.object.exposure.outdoors ? ", outdoors" : ""}
				</button>
				<button type="button" className={way} onClick={() => setOpen("duty")}>
					carries {view.reckoning.carries || "no other load"}
				</button>
				<button
					type="button"
					className={way}
					onClick={() => setOpen("history")}
				>
					what happened
				</button>
				<a
					className={`${way} content-center`}
					href={`/api/jobs/${job.id}/drawing.svg?pane=${view.pane.id}`}
				>
					SVG
				</a>
				<a
					className={`${way} content-center`}
					href={`/api/jobs/${job.id}/drawing.dxf?pane=${view.pane.id}`}
				>
					DXF
				</a>
				{view.reckoning.fit.ready && view.reckoning.fit.form !== "tube" && (
					<>
						<a
							className={`${way} content-center`}
							href={`/api/jobs/${job.id}/template-a4.pdf?pane=${view.pane.id}`}
						>
							1:1 A4
						</a>
						<a
							className={`${way} content-center`}
							href={`/api/jobs/${job.id}/template-letter.pdf?pane=${view.pane.id}`}
						>
							1:1 Letter
						</a>
					</>
				)}
			</div>
			<RoadSheet
				view={view}
				open={open === "road"}
				onClose={() => setOpen(null)}
			/>
			<HeldSheet
				view={view}
				open={open === "held"}
				onClose={() => setOpen(null)}
			/>
			<SeesSheet
				view={view}
				open={open === "sees"}
				onClose={() => setOpen(null)}
			/>
			<DutySheet
				view={view}
				open={open === "duty"}
				onClose={() => setOpen(null)}
			/>
			<HistorySheet
				id={job.id}
				open={open === "history"}
				onClose={() => setOpen(null)}
			/>
		</div>
	);
}

function heldWords(view: View): string {
	const { pane } = view;
	const { family } = view.reckoning;
	const words = [pane.frame.replace("-", " ")];
	if (family.seal === "gasket") {
		words.push(
			pane.gasket.kind === "none"
				? "no gasket"
				: `${pane.gasket.kind} gasket ${pane.gasket.free} mm`,
		);
		const s = pane.sides;
		words.push(`${s.top + s.right + s.bottom + s.left} brackets`);
	} else {
		words.push(family.name.toLowerCase());
	}
	if (pane.shape.kind !== "")
		words.push(view.reckoning.fit.form || pane.shape.kind.replace("-", " "));
	return words.join(" · ");
}
