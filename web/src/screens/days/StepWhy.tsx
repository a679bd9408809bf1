import { Link } from "react-router";
import type { DayStep } from "../../api/types";
import { Button } from "../../parts/Button";
import { clock, dayName } from "./Lanes";

/** Why a step lies where it lies. */
export function StepWhy({
	step,
	onLeave,
}: {
	step: DayStep;
	onLeave: () => void;
}) {
	return (
		<section
			aria-label="Why then?"
			className="mx-4 my-3 border-l-4 border-now pl-4 sm:mx-7"
			data-why
		>
			<p className="text-xl font-semibold">
				{step.title}: {step.object}
			</p>
			<p>
				{dayName(step.from)}, {clock(step.from)} to {clock(step.to)}
				{step.with.length > 0 && (
					<strong className="font-semibold text-two">
						, with {step.with.join(" and ")}
					</strong>
				)}
			</p>
			<p className="text-ink-2">Why then? {step.why}.</p>
			<p className="mt-1 flex gap-3">
				<Link
					to={`/jobs/${step.job}/${step.station}?pane=${step.pane}`}
					className="inline-flex min-h-12 items-center bg-now px-5 font-semibold text-on-now"
				>
					Go there
				</Link>
				<Button kind="quiet" onClick={onLeave}>
					put away
				</Button>
			</p>
		</section>
	);
}
