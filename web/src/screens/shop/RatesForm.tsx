import { Link } from "react-router";
import { useChangeRates, useRates } from "../../api/shop";
import type { Rates } from "../../api/types";
import { Form, useFilled } from "../../form/Form";
import { PercentOf, WholeOf } from "../../form/fields";
import { Button } from "../../parts/Button";
import { cents, money } from "../../parts/money";

/** What the shop asks. */
export function RatesForm() {
	const rates = useRates();
	if (!rates.data) return null;
	return <RatesOf key={rates.data.version} rates={rates.data} />;
}

/** Prices and percents are both kept in hundredths. */
const fields = [
	["hour", "An hour of one person"],
	["call_out", "Call-out"],
	["disposal", "Disposal, a pane"],
	["least", "Least charge"],
	["margin", "Markup on materials, %"],
	["tax", "Tax, percent"],
	["deposit", "Asked ahead of a quote, percent"],
] as const;

function RatesOf({ rates }: { rates: Rates }) {
	const filled = useFilled({
		hour: money(rates.hour),
		call_out: money(rates.call_out),
		disposal: money(rates.disposal),
		least: money(rates.least),
		margin: money(rates.margin),
		tax: money(rates.tax),
		behind: String(rates.behind),
		days: String(rates.days),
		deposit: money(rates.deposit),
		terms: String(rates.terms),
	});
	const write = useChangeRates();
	return (
		<Form
			label="Rates"
			filled={filled}
			write={write}
			body={(f) => ({
				hour: cents(f.hour),
				call_out: cents(f.call_out),
				disposal: cents(f.disposal),
				least: cents(f.least),
				margin: cents(f.margin),
				tax: cents(f.tax),
				behind: Number(f.behind),
				days: Number(f.days),
				deposit: cents(f.deposit),
				terms: Number(f.terms),
				version: rates.version,
			})}
		>
			<h2 className="text-2xl font-semibold">Rates</h2>
			<div className="grid grid-cols-2 gap-3">
				{fields.map(([k, label]) => (
					<PercentOf key={k} label={label} name={k} />
				))}
				<WholeOf
					label="Work can grow by, percent"
					hint="until the object is stripped"
					name="behind"
				/>
				<WholeOf label="A quote holds, days" name="days" />
				<WholeOf label="An invoice is paid within, days" name="terms" />
			</div>
			<div className="flex flex-wrap items-center gap-4">
				<Button type="submit" disabled={write.isPending}>
					Save rates
				</Button>
				{write.isSuccess && <span role="status">Saved.</span>}
				<Link
					className="min-h-11 content-center underline underline-offset-4"
					to="/ledger"
				>
					what is open, and the ledger
				</Link>
			</div>
		</Form>
	);
}
