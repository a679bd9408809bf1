import { useState } from "react";
import type { CheckView } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";

/** What failed before and what was changed then; the best of them, to go back to. */
export function Trials({ check }: { check: CheckView }) {
	const { trials, limit } = check;
	if (trials.length === 0) return null;
	const read = trials.filter((t) => t.value !== undefined);
	const better = (a: number, b: number) =>
		limit?.sense === "at-least" ? a > b : a < b;
	const best = read.reduce<(typeof read)[number] | undefined>(
		(b, t) => (!b || better(t.value ?? 0, b.value ?? 0) ? t : b),
		undefined,
	);
	const before = best ? trials[trials.indexOf(best) - 1] : undefined;
	return (
		<div className="text-[0.9375rem] text-ink-2">
			{trials.map((t, n) => (
				<p key={t.at}>
					✗ {n + 1}. {t.finding} · {t.by}
					{t.changed && <> · then: {t.changed}</>}
				</p>
			))}
			{best && read.length > 1 && (
				<p className="text-ink" data-best={best.value}>
					Best so far {best.got}
					{before?.changed ? `, after: ${before.changed}` : ", as it was first"}
					.
				</p>
			)}
		</div>
	);
}

/** One change, one trial: what to try next when a check has failed. */
export function ChangeOne({
	check,
	pending,
	onChange,
}: {
	check: CheckView;
	pending: boolean;
	onChange: (changed: string) => void;
}) {
	const [other, setOther] = useState("");
	return (
		<fieldset
			aria-label={`What to change: ${check.text}`}
			className="mt-1 border-0 border-l-4 border-rule p-0 pl-3"
		>
			<p>Change one thing, then prove it again.</p>
			<div className="mt-1 flex flex-wrap gap-2">
				{check.try.map((t) => (
					<Button key={t} disabled={pending} onClick={() => onChange(t)}>
						{t}
					</Button>
				))}
			</div>
			<div className="mt-2 flex items-end gap-2">
				<TextField
					label="Or this"
					value={other}
					onChange={setOther}
					maxLength={200}
				/>
				<Button
					disabled={pending || other.trim() === ""}
					onClick={() => onChange(other)}
				>
					Changed
				</Button>
			</div>
		</fieldset>
	);
}
