import { usePay } from "../../../api/price";
import type { Payment, Priced, View } from "../../../api/types";
import { localDay } from "../../../app/when";
import { useWho } from "../../../app/who";
import { Form, useFilled } from "../../../form/Form";
import { MoneyOf, PickOf, TextOf } from "../../../form/fields";
import { Button } from "../../../parts/Button";
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
			{stands.open > 0 ? (
				<Pay key={payments.length} view={view} open={stands.open} />
			) : (
				(stands.state === "nothing" || stands.state === "ahead") && (
					<details>
						<summary className={more}>Something is paid ahead</summary>
						<Pay key={payments.length} view={view} open={ahead(price)} />
					</details>
				)
			)}
			{account.role === "owner" && stands.paid > 0 && (
				<GiveBack
					key={`back ${payments.length}`}
					view={view}
					cents={back ? -stands.open : 0}
				/>
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

function Pay({ view, open }: { view: View; open: number }) {
	const filled = useFilled({
		cents: open > 0 ? money(open) : "",
		way: "card",
		day: today(),
		note: "",
	});
	const write = usePay(view);
	return (
		<Form
			label="One more payment"
			filled={filled}
			write={write}
			body={(f) => ({
				cents: cents(f.cents),
				way: f.way as Payment["way"],
				day: f.day,
				note: f.note,
			})}
		>
			<div className="grid grid-cols-2 gap-3">
				<MoneyOf label="Was paid" name="cents" />
				<TextOf label="On" name="day" type="date" />
			</div>
			<PickOf label="How it was paid" name="way" options={ways} />
			<TextOf label="Note" name="note" maxLength={200} />
			<div>
				<Button type="submit" disabled={write.isPending}>
					Write the payment down
				</Button>
			</div>
		</Form>
	);
}

/** An owner gives back: a slip, or what was paid for what was taken back. */
function GiveBack({ view, cents: due }: { view: View; cents: number }) {
	const filled = useFilled({
		cents: due > 0 ? money(due) : "",
		way: "bank",
		day: today(),
		note: "",
	});
	const write = usePay(view);
	const form = (
		<Form
			label="Given back"
			filled={filled}
			write={write}
			body={(f) => ({
				cents: -cents(f.cents),
				way: f.way as Payment["way"],
				day: f.day,
				note: f.note,
			})}
		>
			<div className="grid grid-cols-2 gap-3">
				<MoneyOf label="Was given back" name="cents" />
				<TextOf label="On" name="day" type="date" />
			</div>
			<PickOf label="How it was given back" name="way" options={ways} />
			<TextOf label="Why" name="note" maxLength={200} />
			<div>
				<Button type="submit" disabled={write.isPending}>
					Write down what was given back
				</Button>
			</div>
		</Form>
	);
	if (due > 0) return form;
	return (
		<details>
			<summary className={more}>
				Something was given back, or typed wrong
			</summary>
			{form}
		</details>
	);
}
