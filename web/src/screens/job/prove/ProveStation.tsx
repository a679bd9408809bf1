import { useState } from "react";
import type { Refused } from "../../../api/refused";
import { useCheck, useCheckOnAll, useOpenCheck } from "../../../api/steps";
import type { CheckView, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { FieldSays, TextField } from "../../../parts/Field";
import { Refusal } from "../../../parts/Refusal";
import { ChangeOne, Trials } from "./Adjust";
import { SignOff } from "./SignOff";
import { TakeUpAgain } from "./TakeUpAgain";

type Outcome = "pass" | "fail" | "not-applicable";
/** The checks of the family, each with its answer, and the sign-off. */
export function ProveStation({ view }: { view: View }) {
	return (
		<div className="mt-4">
			{view.job.ticket && <SignOff view={view} />}
			<h2 className="mt-4 font-semibold">Checks</h2>
			<ol>
				{[...view.checks]
					.sort((a, b) => Number(a.outcome !== "") - Number(b.outcome !== ""))
					.map((c) => (
						<CheckLine key={c.key} check={c} view={view} />
					))}
			</ol>
			<Handover lines={view.reckoning.handover} />
			{!view.job.ticket && <SignOff view={view} />}
		</div>
	);
}

/** What the ticket tells the customer, to read out at the counter. */
function Handover({ lines }: { lines: View["reckoning"]["handover"] }) {
	if (lines.length === 0) return null;
	return (
		<details className="mt-3">
			<summary className="min-h-11 cursor-pointer content-center font-semibold">
				Told to the customer, on the ticket
			</summary>
			<dl className="pl-3">
				{lines.map((l) => (
					<div key={l.title + l.text} className="pb-2">
						<dt className="font-semibold">{l.title}</dt>
						<dd className="text-[0.9375rem]">{l.text}</dd>
					</div>
				))}
			</dl>
		</details>
	);
}

const said: Record<Outcome, string> = {
	pass: "✓ pass",
	fail: "✗ fail",
	"not-applicable": "– does not apply",
};

function CheckLine({ check, view }: { check: CheckView; view: View }) {
	const [value, setValue] = useState("");
	const [asking, setAsking] = useState(false);
	const [finding, setFinding] = useState("");
	const write = useCheck(view);
	const open = useOpenCheck(view, check.key);
	const all = useCheckOnAll(view, check.key);
	function answer(outcome: Outcome) {
		write.mutate(
			{
				check: check.key,
				outcome,
				...(outcome === "not-applicable" || value.trim() === ""
					? {}
					: { read: [value] }),
				finding: outcome === "fail" ? finding : undefined,
			},
			{ onSuccess: () => setAsking(false) },
		);
	}
	const answered = check.outcome !== "";
	const faultOf = (e: Refused | null) =>
		e?.field("value") ?? e?.field("read[0]");
	const fault = faultOf(write.error) ?? faultOf(all.error);
	return (
		<li className="border-b border-rule py-2" data-check={check.key}>
			<p className="font-semibold">{check.text}</p>
			{check.limit && (
				<p className="text-[0.9375rem] text-ink-2">
					{check.wants}; {check.limit.source}
				</p>
			)}
			<TakeUpAgain check={check} view={view} />
			<Trials check={check} />
			{answered ? (
				<p className={check.outcome === "fail" ? "text-stop" : "text-ink-2"}>
					{said[check.outcome as Outcome]}
					{check.got && ` ${check.got}`}
					{check.finding && `: ${check.finding}`} · {check.by}{" "}
					{!view.job.signed && (
						<button
							type="button"
							className="min-h-11 underline underline-offset-4"
							onClick={() => open.mutate("")}
						>
							{check.outcome === "fail" ? "try again" : "again"}
						</button>
					)}
				</p>
			) : (
				!view.job.signed &&
				(check.waits ? (
					<p className="text-ink-2" data-waits>
						Not yet: {check.waits}.
						<Skip check={check} onSkip={() => answer("not-applicable")} />
					</p>
				) : (
					<div className="mt-1 flex flex-wrap items-end gap-2">
						{check.limit && (
							<div className="w-32">
								<TextField
									label={`Read, ${check.asks}`}
									inputMode={check.asks === "in" ? "text" : "decimal"}
									value={value}
									onChange={setValue}
									maxLength={60}
								/>
							</div>
						)}
						<Button onClick={() => answer("pass")}>
							{check.limit ? "Keep" : (check.pass ?? "Pass")}
						</Button>
						{!check.limit && (
							<Button kind="stop" onClick={() => setAsking(true)}>
								Fail
							</Button>
						)}
						{view.panes.length > 1 && !check.once && (
							<Button
								disabled={!!check.limit && value.trim() === ""}
								onClick={() =>
									all.mutate({
										outcome: "pass",
										...(check.limit ? { read: [value] } : {}),
									})
								}
							>
								{check.limit ? "The worst of all" : "On all"}
							</Button>
						)}
						<Skip check={check} onSkip={() => answer("not-applicable")} />
					</div>
				))
			)}
			{check.outcome === "fail" && !view.job.signed && (
				<ChangeOne
					check={check}
					pending={open.isPending}
					onChange={(c) => open.mutate(c)}
				/>
			)}
			{fault && <FieldSays error={fault} />}
			{asking && !answered && (
				<div className="mt-2 flex flex-col gap-2">
					<TextField
						label="What is wrong?"
						value={finding}
						onChange={setFinding}
						error={write.error?.field("finding")}
						autoFocus
					/>
					<Button onClick={() => answer("fail")}>Keep as failed</Button>
				</div>
			)}
			{!fault && !write.error?.field("finding") && (
				<Refusal error={write.error ?? all.error ?? open.error} />
			)}
		</li>
	);
}

/** The one case in which the book lets a check go; nothing where it has none. */
function Skip({ check, onSkip }: { check: CheckView; onSkip: () => void }) {
	if (!check.may) return null;
	return (
		<Button kind="quiet" onClick={onSkip}>
			does not apply: {check.may}
		</Button>
	);
}
