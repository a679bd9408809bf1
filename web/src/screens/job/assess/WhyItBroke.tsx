import { useCatalogue } from "../../../api/book";
import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";
import { CauseChain } from "./CauseChain";
import { Questions } from "./Questions";
import { Suspects } from "./Suspects";
import { useDiagnosis } from "./useDiagnosis";

/** What a person asks first, before the table knows what would settle most. */
const opening = ["look", "doing"];

/** A short walk over the broken pane: what was seen, why it broke, what follows. */
export function WhyItBroke({ view }: { view: View }) {
	const catalogue = useCatalogue();
	const diagnosis = useDiagnosis(view);
	const { why, chain, plan } = view.reckoning;
	const all = catalogue.data?.evidence ?? [];
	const origin = all.find((q) => q.on === "pane");
	const rest = all.filter((q) => q !== origin);
	const asked = view.asks.find((a) => a.station === "assess");
	const lead =
		opening.find((q) => !diagnosis.evidence[q]) ?? why.next?.question;
	const fixes = plan.steps.filter((s) => s.required);
	if (view.pane.road.came === "unbroken" && chain.length === 0) {
		return (
			<p className="mt-3 text-ink-2">
				Nothing broke it, so no cause is asked for.
			</p>
		);
	}
	return (
		<section className="mt-3" id="why-it-broke" aria-label="Why it broke">
			<h2 className="font-semibold">Why did it break?</h2>
			<Questions
				questions={rest}
				evidence={diagnosis.evidence}
				disabled={diagnosis.closed}
				lead={lead}
				lined={asked?.kind === "look" && asked.key === lead}
				onAnswer={(q, a) => diagnosis.answered("evidence", q, a)}
			/>
			<Refusal error={diagnosis.error} />
			<Suspects
				result={why}
				action={(s) =>
					diagnosis.closed ? null : diagnosis.cause === s.id ? (
						<p className="font-semibold text-now">✓ the cause</p>
					) : (
						<Button
							className="my-1"
							disabled={diagnosis.pending}
							onClick={() => diagnosis.settle(s.id)}
						>
							This is why
						</Button>
					)
				}
			/>
			{chain.length > 0 && (
				<div className="mt-3 border-l-4 border-now pl-3">
					<CauseChain
						chain={chain}
						disabled={diagnosis.closed || diagnosis.pending}
						onBehind={diagnosis.settleBehind}
					/>
					<p className="mt-2">So the plan must have:</p>
					<ul className="list-['–_'] pl-4">
						{fixes.map((f) => (
							<li key={f.key}>{f.do}</li>
						))}
					</ul>
				</div>
			)}
		</section>
	);
}
