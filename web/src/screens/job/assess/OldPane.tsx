import { useCatalogue } from "../../../api/book";
import type { View } from "../../../api/types";
import { Refusal } from "../../../parts/Refusal";
import { Questions } from "./Questions";
import { Suspects } from "./Suspects";
import { useDiagnosis } from "./useDiagnosis";

/** What the old pane was: edge, break, colour, sound, stamp and its corner. */
export function OldPane({ view }: { view: View }) {
	const catalogue = useCatalogue();
	const diagnosis = useDiagnosis(view);
	const { was } = view.reckoning;
	return (
		<section className="mt-4" aria-label="The old pane">
			<h2 className="font-semibold">What was the old pane?</h2>
			<Questions
				questions={catalogue.data?.clues ?? []}
				evidence={diagnosis.old_pane}
				disabled={diagnosis.closed}
				lead={was.next?.question}
				onAnswer={(q, a) => diagnosis.answered("old_pane", q, a)}
			/>
			<Refusal error={diagnosis.error} />
			<Suspects result={was} />
		</section>
	);
}
