import { useState } from "react";
import { useChangeRates, useRates } from "../../api/shop";
import type { Rates } from "../../api/types";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { cents, money } from "../../parts/money";
import { Refusal } from "../../parts/Refusal";

/** What the shop asks, and the ledger for the bookkeeper. */
export function RatesForm() {
	const rates = useRates();
	if (!rates.data) return null;
	return <Form key={rates.data.version} rates={rates.data} />;
}

/** Prices and percents are both kept in hundredths. */
const fields = [
	["hour", "An hour of one person"],
	["call_out", "Call-out"],
	["disposal", "Disposal, a pane"],
	["least", "Least charge"],
	["margin", "Markup on materials, %"],
	["tax", "Tax, percent"],
] as const;

type Texts = Record<(typeof fields)[number][0] | "behind" | "days", string>;

function Form({ rates }: { rates: Rates }) {
	const [f, setF] = useState<Texts>({
		hour: money(rates.hour),
		call_out: money(rates.call_out),
		disposal: money(rates.disposal),
		least: money(rates.least),
		margin: money(rates.margin),
		tax: money(rates.tax),
		behind: String(rates.behind),
		days: String(rates.days),
	});
	const write = useChangeRates();
	const asked = () => ({
		hour: cents(f.hour),
		call_out: cents(f.call_out),
		disposal: cents(f.disposal),
		least: cents(f.least),
		margin: cents(f.margin),
		tax: cents(f.tax),
		behind: Number(f.behind),
		days: Number(f.days),
		version: rates.version,
	});
	const wrong = (k: keyof Texts) => {
		const whole = k === "behind" || k === "days";
		const good = whole
			? /^\d{1,3}$/.test(f[k].trim())
			: !Number.isNaN(cents(f[k]));
		if (good) return write.error?.field(k);
		return {
			field: k,
			why: whole
				? "a whole number is expected"
				: "a number such as 12.50 is expected",
		};
	};
	const bad = (Object.keys(f) as (keyof Texts)[]).some((k) =>
		wrong(k)?.why.endsWith("is expected"),
	);
	return (
		<form
			aria-label="Rates"
			className="flex flex-col gap-4"
			onSubmit={(e) => {
				e.preventDefault();
				if (!bad) write.mutate(asked());
			}}
		>
			<h2 className="text-2xl font-semibold">Rates</h2>
			<div className="grid grid-cols-2 gap-3">
				{fields.map(([k, label]) => (
					<TextField
						key={k}
						label={label}
						inputMode="decimal"
						value={f[k]}
						onChange={(v) => setF({ ...f, [k]: v })}
						error={wrong(k)}
					/>
				))}
				<TextField
					label="Work can grow by, percent"
					hint="until the object is stripped"
					inputMode="numeric"
					value={f.behind}
					onChange={(behind) => setF({ ...f, behind })}
					error={wrong("behind")}
				/>
				<TextField
					label="A quote holds, days"
					inputMode="numeric"
					value={f.days}
					onChange={(days) => setF({ ...f, days })}
					error={wrong("days")}
				/>
			</div>
			<Refusal
				error={
					write.error?.problem.errors?.length ? null : (write.error ?? null)
				}
			/>
			<div className="flex flex-wrap items-center gap-4">
				<Button type="submit" disabled={bad || write.isPending}>
					Save rates
				</Button>
				{write.isSuccess && <span role="status">Kept.</span>}
				<a
					className="min-h-11 content-center underline underline-offset-4"
					href="/api/ledger.csv"
				>
					invoices of 90 days as CSV
				</a>
			</div>
		</form>
	);
}
