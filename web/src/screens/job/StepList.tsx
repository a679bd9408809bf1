import { useState } from "react";
import { useStep, useStepOnAll } from "../../api/steps";
import type { Step, View } from "../../api/types";
import { span, when } from "../../app/when";
import { useWho } from "../../app/who";
import { Button } from "../../parts/Button";
import { CautionLine } from "../../parts/CautionLine";
import { FigureLine } from "../../parts/FigureLine";
import { ReasonForm } from "../../parts/ReasonForm";
import { Refusal } from "../../parts/Refusal";
import { Tick } from "../../parts/Tick";

type Done = {
	step: string;
	outcome: "done" | "left-out" | "open";
	reason?: string;
};

/** What was done or proved, and is open again with a step that was taken back. */
function fellWith(was: View, now: View, step: string): string[] {
	const steps = was.reckoning.plan.steps
		.filter((s) => s.key !== step)
		.filter((s) => was.pane.ticks.some((t) => t.step === s.key))
		.filter((s) => !now.pane.ticks.some((t) => t.step === s.key));
	const checks = was.checks.filter(
		(c) =>
			c.outcome === "pass" &&
			now.checks.some((n) => n.key === c.key && n.outcome !== "pass"),
	);
	return [...steps.map((s) => s.title), ...checks.map((c) => c.text)];
}

/** The work at a station, in order, with its holds, hands and cautions. */
export function StepList({
	view,
	station,
	here,
}: {
	view: View;
	station: string;
	/** The step that the line asks for. */
	here?: string;
}) {
	const write = useStep(view);
	const all = useStepOnAll(view);
	const [fell, setFell] = useState<string[]>([]);
	// What is asked for stands first; the rest keeps its order.
	const steps = view.reckoning.plan.steps
		.filter((s) => s.station === station && s.number > 0)
		.sort((a, b) => Number(b.key === here) - Number(a.key === here));
	return (
		<div className="mt-4">
			<h2 className="font-semibold">Work here</h2>
			<Refusal error={write.error ?? all.error} />
			{fell.length > 0 && (
				<p
					role="status"
					className="border-l-4 border-warn bg-warn-wash py-1 pl-2"
				>
					<strong className="text-warn">Open again with it,</strong> because it
					stood on it: {fell.join("; ")}.
				</p>
			)}
			<ol>
				{steps.map((s) => (
					<StepLine
						key={s.key}
						step={s}
						view={view}
						now={s.key === here}
						open={
							s.required || s.key === here || !steps.some((o) => o.key === here)
						}
						onDone={(d) =>
							write.mutate(
								{ step: s.key, ...d },
								{ onSuccess: (next) => setFell(fellWith(view, next, s.key)) },
							)
						}
						onAll={() => all.mutate(s.key)}
					/>
				))}
			</ol>
		</div>
	);
}

function StepLine({
	step,
	view,
	now,
	open,
	onDone,
	onAll,
}: {
	now: boolean;
	step: Step;
	/** Said whole: it is its turn, or none of these is asked for. */
	open: boolean;
	view: View;
	onDone: (d: Omit<Done, "step">) => void;
	onAll: () => void;
}) {
	const several = view.panes.length > 1;
	const [wanted, setWanted] = useState(false);
	const wait = view.waits.find((w) => w.step === step.key);
	const tick = view.pane.ticks.find((t) => t.step === step.key);
	const figures = view.reckoning.figures.filter((f) =>
		step.figures.includes(f.key),
	);
	return (
		<li className="border-b border-rule py-1" data-step={step.key}>
			<Tick
				checked={tick !== undefined}
				disabled={view.job.signed || (wait !== undefined && !tick)}
				onChange={(v) => onDone({ outcome: v ? "done" : "open" })}
			>
				<span
					className={`font-semibold ${now ? "text-2xl leading-7" : "text-lg leading-6"}`}
				>
					{step.number}. {step.title}
				</span>
				<span className="ml-2 text-[0.9375rem] whitespace-nowrap text-ink-2">
					{span(step.minutes)}
				</span>
				{step.required && (
					<Badge tone="text-wax border-wax">must be done</Badge>
				)}
				{step.hold && <Badge tone="text-stop border-stop">hold</Badge>}
				{several && step.once && (
					<Badge tone="text-ink-2 border-ink-2">once for all</Badge>
				)}
				{step.people > 1 && (
					<Badge tone="text-two border-two">two people</Badge>
				)}
			</Tick>
			<div className="pl-13 max-phone:pl-0">
				{several && !step.once && !tick && !wait && !view.job.signed && (
					<Button className="mb-1" onClick={onAll}>
						Done on all that are ready
					</Button>
				)}
				{tick ? (
					<p className="pb-1 text-[0.9375rem] text-ink-2">
						{tick.outcome === "done" ? "Done" : `Left out: ${tick.reason},`} by{" "}
						{tick.by}
					</p>
				) : (
					<>
						{wait && (
							<p className="text-stop" data-waits={step.key}>
								<strong>Not yet:</strong>{" "}
								{wait.until && `${when(wait.until)} at the earliest; `}
								{wait.why}.
							</p>
						)}
						{!open && !wanted ? (
							<button
								type="button"
								className="min-h-11 text-[0.9375rem] text-ink-2 underline underline-offset-4"
								onClick={() => setWanted(true)}
							>
								how, and why
							</button>
						) : (
							<>
								<p>{step.do}</p>
								<WithIt view={view} step={step} />
								<p className="text-[0.9375rem] text-ink-2">{step.why}</p>
								{step.two_why && (
									<p className="text-[0.9375rem] text-two">
										Two: {step.two_why}.
									</p>
								)}
								<ul className="text-[0.9375rem]">
									{step.cautions.map((c) => (
										<CautionLine key={c.id} caution={c} />
									))}
								</ul>
								{figures.map((f) => (
									<FigureLine key={f.key} figure={f} />
								))}
								{!view.job.signed && <LeaveOut step={step} onDone={onDone} />}
							</>
						)}
					</>
				)}
			</div>
		</li>
	);
}

/** What of the strip log goes back with a step, and what is easily mixed up there. */
function WithIt({ view, step }: { view: View; step: Step }) {
	const lines = view.strip.back.filter((l) => l.step === step.title);
	if (lines.length === 0) return null;
	return (
		<ul className="text-[0.9375rem]">
			{lines.map((l) => (
				<li key={l.id} data-with={l.id}>
					{[
						l.say,
						l.facing && `faces ${l.facing}`,
						l.bag && `bag ${l.bag}`,
						l.with,
					]
						.filter(Boolean)
						.join(" · ")}
					{l.warnings.map((w) => (
						<p key={w} className="border-l-4 border-warn bg-warn-wash pl-2">
							<strong className="text-warn">Mind:</strong> {w}
						</p>
					))}
				</li>
			))}
		</ul>
	);
}

/**
 * Leaving a step out: a hold only in the book's cases, one tap each, or in an
 * owner's own words; what broke the last pane never.
 */
function LeaveOut({
	step,
	onDone,
}: {
	step: Step;
	onDone: (d: Omit<Done, "step">) => void;
}) {
	const { account } = useWho();
	const [leaving, setLeaving] = useState(false);
	const words = !step.hold || account.role === "owner";
	if (step.required || (!words && step.may.length === 0)) return null;
	const leave = (reason: string) => onDone({ outcome: "left-out", reason });
	if (!leaving) {
		return (
			<button
				type="button"
				className="min-h-11 min-w-11 text-[0.9375rem] text-ink-2 underline underline-offset-4"
				onClick={() => setLeaving(true)}
			>
				skip
			</button>
		);
	}
	return (
		<div className="py-2">
			{step.may.map((m) => (
				<Button key={m} className="mb-2 w-full" onClick={() => leave(m)}>
					{m}
				</Button>
			))}
			{words ? (
				<ReasonForm
					ask={step.may.length > 0 ? "Or because" : "Why is it left out?"}
					act="Skip this step"
					onAct={leave}
					onLeave={() => setLeaving(false)}
				/>
			) : (
				<Button kind="quiet" onClick={() => setLeaving(false)}>
					Not so
				</Button>
			)}
		</div>
	);
}

function Badge({
	tone,
	children,
}: {
	tone: string;
	children: React.ReactNode;
}) {
	return (
		<span
			className={`ml-2 border px-1.5 text-sm font-semibold whitespace-nowrap ${tone}`}
		>
			{children}
		</span>
	);
}
