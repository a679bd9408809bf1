import { useCatalogue } from "../../../api/book";
import type { View } from "../../../api/types";
import { BrokenPane } from "../../../bench/BrokenPane";
import { Ground } from "../table/Ground";
import type { TableProps } from "../table/props";
import { FacesTable } from "./FacesTable";
import { useDiagnosis } from "./useDiagnosis";

/** How many suspects stand beside the broken pane. */
const suspects = 3;

/** What is looked at: a pane that broke, or the faces of a bond that let go. */
export default function BreakTable({ view }: TableProps) {
	return view.reckoning.road.how === "stick" ? (
		<FacesTable key={view.pane.id} view={view} />
	) : (
		<Broken view={view} />
	);
}

/** The pane as it broke, in its frame, to tap; suspects grow beside it. */
function Broken({ view }: { view: View }) {
	const catalogue = useCatalogue();
	const diagnosis = useDiagnosis(view);
	const { why, chain } = view.reckoning;
	const origin = catalogue.data?.evidence.find((q) => q.on === "pane");
	const seen = origin ? diagnosis.evidence[origin.id] : "";
	const ranked = why.ranked.filter((r) => r.score > 0).slice(0, suspects);
	return (
		<Ground
			says={
				seen
					? `cracks start ${origin?.answers.find((a) => a.id === seen)?.say ?? seen}: tap where else`
					: "tap the pane where its cracks start"
			}
			foot={
				<div data-suspects className="flex flex-wrap gap-x-8 gap-y-1 pt-1">
					{chain.length > 0 ? (
						<p className="text-lg">
							<strong>Cause:</strong> {view.reckoning.cause}
						</p>
					) : ranked.length === 0 ? (
						<p className="text-ink-2">Nothing was seen yet.</p>
					) : (
						ranked.map((r) => (
							<p key={r.id} className="min-w-40 flex-1">
								<strong>{r.name}</strong>{" "}
								<span className="text-ink-2">
									{Math.round(r.share * 100)} in 100
								</span>
								<span className="mt-1 block h-2.5 border border-ink">
									<span
										className="block h-full bg-ink"
										style={{ width: `${r.share * 100}%` }}
									/>
								</span>
							</p>
						))
					)}
				</div>
			}
		>
			{origin && (
				<BrokenPane
					origin={seen ?? ""}
					names={Object.fromEntries(origin.answers.map((a) => [a.id, a.say]))}
					disabled={diagnosis.closed}
					edge={view.reckoning.material.edge}
					onPick={(a) =>
						diagnosis.answered("evidence", origin.id, seen === a ? "" : a)
					}
				/>
			)}
		</Ground>
	);
}
