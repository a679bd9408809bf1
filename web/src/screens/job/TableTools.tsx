import { useState } from "react";
import { useSearchParams } from "react-router";
import { useUnit } from "../../api/jobs";
import type { View } from "../../api/types";
import { later, Once } from "../../app/later";

const DutySheet = later(() => import("./sheets/DutySheet"), "DutySheet");
const HeldSheet = later(() => import("./sheets/HeldSheet"), "HeldSheet");
const HistorySheet = later(
	() => import("./sheets/HistorySheet"),
	"HistorySheet",
);
const JobSheet = later(() => import("./sheets/JobSheet"), "JobSheet");
const PriceSheet = later(() => import("./sheets/PriceSheet"), "PriceSheet");
const RoadSheet = later(() => import("./sheets/RoadSheet"), "RoadSheet");
const SeesSheet = later(() => import("./sheets/SeesSheet"), "SeesSheet");
const VanSheet = later(() => import("./sheets/VanSheet"), "VanSheet");

type Open =
	| "job"
	| "road"
	| "held"
	| "sees"
	| "duty"
	| "history"
	| "price"
	| "van"
	| null;

/** The facts that everything follows from, as words to tap, and the files. */
export function TableTools({ view }: { view: View }) {
	const [query] = useSearchParams();
	const [open, setOpen] = useState<Open>(query.has("price") ? "price" : null);
	const [files, setFiles] = useState(false);
	const { job } = view;
	const other = view.unit === "mm" ? "in" : "mm";
	const unit = useUnit(view);
	const way =
		"min-h-11 text-left lg:shrink-0 underline underline-offset-4 hover:text-ink";
	return (
		<div className="min-w-0 border-t border-rule px-4 sm:px-7">
			<div className="flex flex-wrap gap-x-5 text-[0.9375rem] text-ink-2 lg:[@media(max-height:720px)]:flex-nowrap lg:[@media(max-height:720px)]:overflow-x-auto">
				<button type="button" className={way} onClick={() => setOpen("road")}>
					{view.reckoning.road.name.toLowerCase()}
				</button>
				<button type="button" className={way} onClick={() => setOpen("held")}>
					{heldWords(view)}
				</button>
				<button type="button" className={way} onClick={() => setOpen("sees")}>
					{Math.round(job.object.exposure.steady)} °C in use
					{job.object.exposure.outdoors ? ", outdoors" : ""}
				</button>
				<button type="button" className={way} onClick={() => setOpen("duty")}>
					carries {view.reckoning.carries || "no other load"}
				</button>
				<button type="button" className={way} onClick={() => setOpen("price")}>
					what it costs
				</button>
				{!job.signed && (
					<button type="button" className={way} onClick={() => setOpen("van")}>
						what to take along
					</button>
				)}
				{!job.signed && (
					<button
						type="button"
						className={way}
						disabled={unit.isPending}
						onClick={() => unit.mutate(other)}
					>
						work in {other === "in" ? "inches" : "mm"} here
					</button>
				)}
				<button
					type="button"
					className={way}
					onClick={() => setOpen("history")}
				>
					what happened
				</button>
				<button type="button" className={way} onClick={() => setOpen("job")}>
					copy or withdraw
				</button>
				<button
					type="button"
					aria-expanded={files}
					className={way}
					onClick={() => setFiles(!files)}
				>
					as a file
				</button>
				{files && (
					<>
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
					</>
				)}
			</div>
			<Once open={open === "job"}>
				<JobSheet
					view={view}
					open={open === "job"}
					onClose={() => setOpen(null)}
				/>
			</Once>
			<Once open={open === "road"}>
				<RoadSheet
					view={view}
					open={open === "road"}
					onClose={() => setOpen(null)}
				/>
			</Once>
			<Once open={open === "held"}>
				<HeldSheet
					view={view}
					open={open === "held"}
					onClose={() => setOpen(null)}
				/>
			</Once>
			<Once open={open === "sees"}>
				<SeesSheet
					view={view}
					open={open === "sees"}
					onClose={() => setOpen(null)}
				/>
			</Once>
			<Once open={open === "duty"}>
				<DutySheet
					view={view}
					open={open === "duty"}
					onClose={() => setOpen(null)}
				/>
			</Once>
			<Once open={open === "van"}>
				<VanSheet
					view={view}
					open={open === "van"}
					onClose={() => setOpen(null)}
				/>
			</Once>
			<Once open={open === "price"}>
				<PriceSheet
					view={view}
					open={open === "price"}
					onClose={() => setOpen(null)}
				/>
			</Once>
			<HistorySheet
				view={view}
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
