import { Link } from "react-router";
import { useStep } from "../../../api/steps";
import type { CheckView, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";

/** What a failed check puts in doubt: the step that made it, opened again at its station. */
export function TakeUpAgain({ check, view }: { check: CheckView; view: View }) {
	const write = useStep(view);
	const step = view.reckoning.plan.steps.findLast((s) =>
		check.after.includes(s.key),
	);
	if (check.outcome !== "fail" || !step || view.job.signed) return null;
	const tick = view.pane.ticks.find((t) => t.step === step.key);
	const way = `/jobs/${view.job.id}/${step.station}?pane=${view.pane.id}`;
	return (
		<p className="mt-1" data-take-up={step.key}>
			{tick ? (
				<Button
					disabled={write.isPending}
					onClick={() => write.mutate({ step: step.key, outcome: "open" })}
				>
					Take up again: {step.number}. {step.title}
				</Button>
			) : (
				<Link className="underline underline-offset-4" to={way}>
					{step.number}. {step.title} is open again: go there
				</Link>
			)}
			<Refusal error={write.error} />
		</p>
	);
}
