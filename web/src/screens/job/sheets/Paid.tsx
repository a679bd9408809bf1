import { usePay } from "../../../api/price";
import type { Payment, Priced, View } from "../../../api/types";
import { localDay } from "../../../app/when";
import { useWho } from "../../../app/who";
import { Form, useFilled } from "../../../form/Form";
import { MoneyOf, PickOf, TextOf } from "../../../form/fields";
import { Button } from "../../../parts/Button";
import { FigureLine } from "../../../parts/FigureLine";
import { cents, money } from "../../../parts/money";

const ways: { value: Payment["way"]; label: string }[] = [
	{ value: "card", label: "card" },
	{ value: "cash", label: "cash" },
	{ value: "bank", label: "bank" },
	{ value: "insurer", label: "insurer" },
];

/** What was paid, what is open, and one more payment. */
export function Paid({ view, price }: { view: View; price: Priced }) {
	const { account } = useWho();
	const { account: stands, payments } = price;
	const back = stands.state === "back";
	const owner = account.role === "owner";
	return (
		<section aria-label="Paid" className="flex flex-col gap-3" data-paid>
			<h2 className="font-semibold">Paid</h2>
			<p
				className={
					stands.state === "overdue" || back
						? "border-l-4 border-warn bg-warn-wash px-3 py-1 font-semibold"
						: ""
				}
				data-stands={stands.state}
			>
				{stands.says}
			</p>
			{stands.billed !== 0 && stands.open !== 0 && (
				<FigureLine figure={stands.figure} />
			)}
			{payments.length > 0 && (
				<ul className="border-t border-rule">
					{payments.map((p) => (
						<li
							key={p.id}
							className="flex min-h-11 items-center justify-between gap-3 border-b border-rule py-1"
						>
							<span>
								{localDay(p.day)}, {p.way}, {p.by}
								{p.note && (
									<span className="block text-sm text-ink-2">{p.note}</span>
								)}
							</span>
							<strong className="font-figure">{money(p.cents)}</strong>
						</li>
					))}
				</ul>
			)}
			{stands.open > 0 && (
				<Entry key={payments.length} view={view} due={stands.open} />
			)}
			{(stands.state === "nothing" || stands.state === "ahead") && (
				<details>
					<summary className={more}>Something is paid ahead</summary>
					<Entry key={payments.length} view={view} due={ahead(price)} />
				</details>
			)}
			{owner && back && (
				<Entry key={payments.length} view={view} due={-stands.open} back />
			)}
			{owner && !back && stands.paid > 0 && (
				<details>
					<summary className={more}>
						Something was given back, or typed wrong
					</summary>
					<Entry key={payments.length} view={view} due={0} back />
				</details>
			)}
		</section>
	);
}

const more = "min-h-11 content-center underline underline-offset-4";

/** What the last quote asks before the work begins; nothing once it was paid. */
function ahead({ papers, account }: Priced): number {
	const quote = papers.filter((p) => p.kind === "quote").at(-1);
	return Math.max(0, (quote?.ahead ?? 0) - account.paid);
}

/** Today by the clock of this device, as a field of a date has it. */
function today(): string {
	const d = new Date();
	const two = (n: number) => String(n).padStart(2, "0");
	return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
}

/** What stands in the form for money that came, and for what was given back. */
const came = {
	label: "One more payment",
	cents: "Was paid",
	way: "How it was paid",
	note: "Note",
	key: "Write the payment down",
};
const gone = {
	label: "Given back",
	cents: "Was given back",
	way: "How it was given back",
	note: "Why",
	key: "Write down what was given back",
};

/** Money that came or was given back, with what is usual of it filled in. */
function Entry({
	view,
	due,
	back = false,
}: {
	view: View;
	due: number;
	back?: boolean;
}) {
	const says = back ? gone : came;
	const filled = useFilled({
		cents: due > 0 ? money(due) : "",
		way: back ? "bank" : "card",
		day: today(),
		note: "",
	});
	const write = usePay(view);
	return (
		<Form
			label={says.label}
			filled={filled}
			write={write}
			body={(f) => ({
				cents: back ? -cents(f.cents) : cents(f.cents),
				way: f.way as Payment["way"],
				day: f.day,
				note: f.note,
			})}
		>
			<div className="grid grid-cols-2 gap-3">
				<MoneyOf label={says.cents} name="cents" />
				<TextOf label="On" name="day" type="date" />
			</div>
			<PickOf label={says.way} name="way" options={ways} />
			<TextOf label={says.note} name="note" maxLength={200} />
			<div>
				<Button type="submit" disabled={write.isPending}>
					{says.key}
				</Button>
			</div>
		</Form>
	);
}
