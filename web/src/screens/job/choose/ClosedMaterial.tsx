import { useState } from "react";
import { Link } from "react-router";
import { useCatalogue } from "../../../api/book";
import type { Closed, View } from "../../../api/types";
import { FigureLine } from "../../../parts/FigureLine";
import { num } from "../../../parts/num";
import { ReasonForm } from "../../../parts/ReasonForm";

/** A material that is ruled out, by which number, and the way round it. */
export function ClosedMaterial({
	closed,
	view,
	onSettle,
}: {
	closed: Closed;
	view: View;
	onSettle: (thickness: number, reason: string) => void;
}) {
	const [asking, setAsking] = useState(false);
	const catalogue = useCatalogue();
	const all = catalogue.data?.materials.find((m) => m.id === closed.material);
	const tube = view.reckoning.family.sizing === "tube";
	const thickness = tube
		? view.reckoning.thickness
		: (all?.thicknesses.reduce((best, t) =>
				Math.abs(t - view.reckoning.thickness) <
				Math.abs(best - view.reckoning.thickness)
					? t
					: best,
			) ?? 4);
	return (
		<li data-material={closed.material}>
			<FigureLine
				figure={{
					...closed.figure,
					text:
						closed.figure.unit === ""
							? "no"
							: `${num(closed.figure.value)} ${closed.figure.unit}`,
					verdict: "note",
					sentence: `${closed.name}: ${closed.sentence}`,
				}}
			/>
			{closed.unknown && (
				<Link
					className="block min-h-11 content-center pl-3 underline underline-offset-4"
					to="/book/materials"
				>
					Put what its sheet says into the Book
				</Link>
			)}
			{!view.job.signed &&
				(asking ? (
					<ReasonForm
						ask={`Why ${closed.name}, against the number?`}
						act="Choose it against the number"
						kind="stop"
						onAct={(reason) => onSettle(thickness, reason)}
						onLeave={() => setAsking(false)}
					/>
				) : (
					<button
						type="button"
						className="min-h-11 pl-3 text-[0.9375rem] text-ink-2 underline underline-offset-4"
						onClick={() => setAsking(true)}
					>
						take it anyway
					</button>
				))}
		</li>
	);
}
