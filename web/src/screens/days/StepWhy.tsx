import { useState } from "react";
import { Link } from "react-router";
import type { Refused } from "../../api/refused";
import type { DayStep, Days, WhatIf } from "../../api/types";
import { clock, dayName } from "../../app/when";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";
import { MoveIt } from "./MoveIt";

/** Why a step lies where it lies, and where else it could. */
export function StepWhy({
	days,
	step,
	onLeave,
	onTry,
	onUnpin,
	error,
}: {
	days: Days;
	step: DayStep;
	onLeave: () => void;
	onTry: (what: WhatIf) => void;
	onUnpin: () => void;
	error: Refused | null;
}) {
	const [moving, setMoving] = useState(false);
	return (
		<section
			aria-label="Why then?"
			className="mx-4 my-3 border-l-4 border-now pl-4 sm:mx-7"
			data-why
		>
			<p className="text-xl font-semibold">
				{step.object ? `${step.title}: ${step.object}` : step.title}
			</p>
			<p>
				{dayName(step.from)}, {clock(step.from)} to {clock(step.to)}
				{step.with.length > 0 && (
					<strong className="font-semibold text-two">
						, with {step.with.join(" and ")}
					</strong>
				)}
			</p>
			<p className="text-ink-2">
				Why then?{" "}
				{step.pinned && !step.round ? "Somebody put it there" : step.why}.
			</p>
			{step.takes && (
				<p className="text-ink-2" data-takes>
					How long? {step.takes}.
				</p>
			)}
			<p className="mt-1 flex flex-wrap gap-3">
				{step.job > 0 && (
					<Link
						to={`/jobs/${step.job}/${step.station}?pane=${step.pane}`}
						className="inline-flex min-h-12 items-center bg-now px-5 font-semibold text-on-now"
					>
						Go there
					</Link>
				)}
				{step.job > 0 && !step.round && !moving && (
					<Button onClick={() => setMoving(true)}>Move it</Button>
				)}
				{step.round && (
					<Link
						to="/rounds"
						className="inline-flex min-h-12 items-center border-2 border-ink px-5 font-semibold"
					>
						To the round
					</Link>
				)}
				{step.pinned && !step.round && (
					<Button onClick={onUnpin}>Let it go where it fits</Button>
				)}
				<Button kind="quiet" onClick={onLeave}>
					close
				</Button>
			</p>
			{moving && <MoveIt days={days} step={step} onTry={onTry} />}
			<Refusal error={error} />
		</section>
	);
}
