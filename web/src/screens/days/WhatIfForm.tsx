import { useState } from "react";
import { useMoments } from "../../api/lengths";
import type { Refused } from "../../api/refused";
import type { Days, WhatIf } from "../../api/types";
import { Button } from "../../parts/Button";
import { control, Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { Stepper } from "../../parts/Stepper";
import { WhenField } from "../../parts/WhenField";

const kinds = [
	{ value: "late", label: "glass comes late" },
	{ value: "off", label: "somebody is ill" },
	{ value: "cold", label: "cold weather comes" },
	{ value: "urgent", label: "one more urgent job" },
	{ value: "hand", label: "one more person" },
] as const;

type Kind = (typeof kinds)[number]["value"];

/** What could be otherwise: one choice, one or two answers, and the days as they would be. */
export function WhatIfForm({
	days,
	onTry,
	busy,
	error,
}: {
	days: Days;
	onTry: (what: WhatIf) => void;
	busy: boolean;
	error: Refused | null;
}) {
	const [kind, setKind] = useState<Kind | "">("");
	const [job, setJob] = useState("");
	const [person, setPerson] = useState("");
	const [n, setN] = useState(1);
	const [from, setFrom] = useState("tomorrow 8");
	const [wrong, setWrong] = useState<Refused>();
	const moments = useMoments();
	const waiting = days.jobs.filter((j) => j.waits_for_glass);
	const choose = (k: Kind) => {
		setKind(k);
		setN(k === "urgent" ? 12 : k === "hand" ? 4 : 1);
		setFrom(k === "urgent" ? "tomorrow 16" : "tomorrow 8");
		setWrong(undefined);
	};
	const send = async () => {
		setWrong(undefined);
		if (kind === "late") {
			onTry({ late: [{ job: Number(job || waiting[0]?.job), days: n }] });
			return;
		}
		const at = (await moments.of("from", from)) ?? "";
		const end = (hours: number) =>
			new Date(Date.parse(at) + hours * 3_600_000).toISOString();
		if (kind === "off")
			onTry({
				off: [
					{
						account: Number(person || days.people[0]?.id),
						from: dayText(at),
						to: dayText(end((n - 1) * 24)),
					},
				],
			});
		if (kind === "cold") onTry({ cold: { from: at, hours: n * 24, k: 8 } });
		if (kind === "urgent")
			onTry({ urgent: [{ minutes: n * 10, people: 1, promised_at: at }] });
		if (kind === "hand") onTry({ hand: [{ from: at, to: end(n) }] });
	};
	return (
		<section
			aria-label="What if"
			className="px-4 pt-5 sm:px-7"
			data-what-if={kind}
		>
			<h2 className="mb-2 font-semibold">What if …</h2>
			<Pick
				label="What could be otherwise"
				value={kind}
				onChange={choose}
				options={[...kinds]}
			/>
			{kind !== "" && (
				<form
					className="mt-4 flex max-w-[60em] flex-wrap items-end gap-x-8 gap-y-3"
					onSubmit={(e) => {
						e.preventDefault();
						send().catch((e: Refused) => setWrong(e));
					}}
				>
					{kind === "late" && (
						<Chosen
							label="Whose glass"
							value={job}
							onChange={setJob}
							options={waiting.map((j) => ({ id: j.job, says: j.object }))}
						/>
					)}
					{kind === "off" && (
						<Chosen
							label="Who"
							value={person}
							onChange={setPerson}
							options={days.people.map((p) => ({ id: p.id, says: p.name }))}
						/>
					)}
					{kind !== "late" && (
						<div className="w-64">
							<WhenField
								label={kind === "urgent" ? "Promised for" : "From"}
								value={from}
								onChange={setFrom}
								error={wrong?.field("from")}
							/>
						</div>
					)}
					<Stepper
						name={
							kind === "urgent"
								? "Work in it, tens of minutes"
								: kind === "hand"
									? "Hours"
									: "Days"
						}
						value={n}
						least={1}
						most={kind === "urgent" ? 24 : kind === "hand" ? 9 : 14}
						onChange={setN}
					/>
					<Button
						type="submit"
						disabled={busy || (kind === "late" && waiting.length === 0)}
						data-try
					>
						See the days then
					</Button>
					{kind === "late" && waiting.length === 0 && (
						<p>No job waits for glass whose day somebody said.</p>
					)}
					<Refusal error={error ?? wrong ?? null} />
				</form>
			)}
		</section>
	);
}

function Chosen({
	label,
	value,
	onChange,
	options,
}: {
	label: string;
	value: string;
	onChange: (v: string) => void;
	options: { id: number; says: string }[];
}) {
	return (
		<Field label={label}>
			{(a) => (
				<select
					{...a}
					className={`${control} max-w-[22em]`}
					value={value || String(options[0]?.id ?? "")}
					onChange={(e) => onChange(e.target.value)}
				>
					{options.map((o) => (
						<option key={o.id} value={o.id}>
							{o.says}
						</option>
					))}
				</select>
			)}
		</Field>
	);
}

/** A day of the device's calendar: 2026-12-24. */
function dayText(iso: string): string {
	const at = new Date(iso);
	const two = (n: number) => String(n).padStart(2, "0");
	return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}
