import { Collapsible } from "radix-ui";
import { useState } from "react";
import { useAdjust, usePrice, useWriteBill } from "../../../api/price";
import type { Adjust, Priced, PriceLine, View } from "../../../api/types";
import { when } from "../../../app/when";
import { useWho } from "../../../app/who";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { FigureLine } from "../../../parts/FigureLine";
import { cents, money, signedCents } from "../../../parts/money";
import { Refusal } from "../../../parts/Refusal";
import { Sheet } from "../../../parts/Sheet";
import { WorkingView } from "../../../parts/WorkingView";
import { Asking } from "./Asking";
import { Paid } from "./Paid";
import { WhoPays } from "./WhoPays";

/** What the job costs the customer, line by line, and its papers. */
export function PriceSheet({
	view,
	open,
	onClose,
}: {
	view: View;
	open: boolean;
	onClose: () => void;
}) {
	const price = usePrice(view, open);
	return (
		<Sheet title="What it costs" open={open} onClose={onClose}>
			{price.data ? (
				<Body view={view} price={price.data} />
			) : price.isError ? (
				<Refusal error={price.error} />
			) : (
				<p role="status">Adding it up …</p>
			)}
		</Sheet>
	);
}

function Body({ view, price }: { view: View; price: Priced }) {
	const set = useAdjust(view);
	const owes = price.papers.length + price.payments.length > 0;
	return (
		<div className="flex flex-col gap-6">
			<section aria-label="The price">
				<p className="text-lg" data-price>
					{price.says}
				</p>
				<FigureLine figure={price.figure} />
				{price.above > 0 && (
					<p className="mt-2 border-l-4 border-warn bg-warn-wash px-3 py-1">
						<strong>{money(price.above)} above the quote</strong> of{" "}
						{money(price.quoted)}. Call the customer before you go on.
					</p>
				)}
			</section>
			{owes && <Owed view={view} price={price} />}
			<section aria-label="Lines">
				<h2 className="font-semibold">Lines, without tax</h2>
				<ul className="border-t border-rule">
					{price.lines.map((l) => (
						<Row key={l.key} line={l} price={price} set={set.mutate} />
					))}
				</ul>
				<Refusal error={set.error} />
			</section>
			<More price={price} set={set.mutate} busy={set.isPending} />
			{!owes && <Owed view={view} price={price} />}
		</div>
	);
}

/** What was paid, the papers and who pays: the first thing once something was written. */
function Owed({ view, price }: { view: View; price: Priced }) {
	return (
		<>
			<Paid view={view} price={price} />
			<Papers view={view} price={price} />
			<WhoPays view={view} price={price} />
		</>
	);
}

/** One line: a tap opens its sum and what can be changed on it. */
function Row({
	line,
	price,
	set,
}: {
	line: PriceLine;
	price: Priced;
	set: (a: Adjust) => void;
}) {
	const { adjust } = price;
	const labour = line.kind === "labour";
	const stuff = line.kind === "material";
	const [text, setText] = useState(
		labour ? String(line.milli / 1000) : money(line.cost ?? 0),
	);
	const off = adjust.off ?? [];
	const number = labour ? Number(text) : cents(text);
	const bad =
		text.trim() === "" ||
		!Number.isInteger(number) ||
		number < 0 ||
		(labour && number > 100_000);
	function keepNumber() {
		set(
			labour
				? { ...adjust, minutes: { ...adjust.minutes, [line.key]: number } }
				: { ...adjust, prices: { ...adjust.prices, [line.key]: number } },
		);
	}
	return (
		<li className="border-b border-rule" data-line={line.key}>
			<Collapsible.Root>
				<Collapsible.Trigger className="grid min-h-12 w-full grid-cols-[1fr_auto] items-baseline gap-x-3 py-2 text-left">
					<span className={line.off ? "text-ink-2 line-through" : ""}>
						{labour ? `Work: ${line.text}` : line.text}
						<span className="block text-sm text-ink-2">
							{labour ? `${line.milli / 1000} min, ${line.why}` : line.why}
						</span>
					</span>
					<span className="font-figure text-right text-lg">
						{line.open ? (
							<strong className="text-warn">no price yet</strong>
						) : (
							money(line.cents)
						)}
						{!line.open && line.low !== line.high && (
							<span className="block text-sm text-ink-2">
								{money(line.low)} to {money(line.high)}
							</span>
						)}
					</span>
				</Collapsible.Trigger>
				<Collapsible.Content className="flex flex-col gap-3 pb-3">
					<WorkingView figure={line.figure} />
					{(labour || stuff) && (
						<form
							className="flex items-end gap-2"
							onSubmit={(e) => {
								e.preventDefault();
								if (!bad) keepNumber();
							}}
						>
							<TextField
								label={
									labour ? "It took, minutes of all people" : "It costs, each"
								}
								inputMode="decimal"
								value={text}
								onChange={setText}
								error={
									bad
										? {
												field: line.key,
												why: labour
													? "whole minutes are expected"
													: "a price such as 12.50 is expected",
											}
										: undefined
								}
							/>
							<Button type="submit" disabled={bad}>
								Keep
							</Button>
						</form>
					)}
					<Button
						kind="quiet"
						onClick={() =>
							set({
								...adjust,
								off: line.off
									? off.filter((k) => k !== line.key)
									: [...off, line.key],
							})
						}
					>
						{line.off ? "ask for it again" : "do not ask for it"}
					</Button>
				</Collapsible.Content>
			</Collapsible.Root>
		</li>
	);
}

/** A line of one's own, a discount, and what the customer should read. */
function More({
	price,
	set,
	busy,
}: {
	price: Priced;
	set: (a: Adjust) => void;
	busy: boolean;
}) {
	const { adjust } = price;
	const [text, setText] = useState("");
	const [each, setEach] = useState("");
	const [discount, setDiscount] = useState(money(adjust.discount ?? 0));
	const [note, setNote] = useState(adjust.note ?? "");
	const amount = signedCents(each);
	const share = cents(discount);
	const badShare = Number.isNaN(share) || share > 10_000;
	return (
		<section aria-label="Something more" className="flex flex-col gap-3">
			<form
				className="grid grid-cols-[1fr_7rem_auto] items-end gap-2"
				onSubmit={(e) => {
					e.preventDefault();
					set({
						...adjust,
						own: [...(adjust.own ?? []), { text, milli: 1000, each: amount }],
					});
					setText("");
					setEach("");
				}}
			>
				<TextField
					label="One line more"
					value={text}
					onChange={setText}
					maxLength={120}
				/>
				<TextField
					label="Price"
					inputMode="decimal"
					value={each}
					onChange={setEach}
				/>
				<Button
					type="submit"
					disabled={
						busy ||
						text.trim() === "" ||
						each.trim() === "" ||
						Number.isNaN(amount)
					}
				>
					Add
				</Button>
			</form>
			<form
				className="flex flex-col gap-3"
				onSubmit={(e) => {
					e.preventDefault();
					if (!badShare) set({ ...adjust, discount: share, note });
				}}
			>
				<TextField
					label="Discount, percent"
					inputMode="decimal"
					value={discount}
					onChange={setDiscount}
					error={
						badShare
							? { field: "discount", why: "from 0 to 100 is expected" }
							: undefined
					}
				/>
				<TextField
					label="A word to the customer"
					value={note}
					onChange={setNote}
					maxLength={500}
				/>
				{(share !== (adjust.discount ?? 0) || note !== (adjust.note ?? "")) && (
					<Button type="submit" disabled={busy || badShare}>
						Keep that
					</Button>
				)}
			</form>
		</section>
	);
}

/** What was written, and what can be written now. */
function Papers({ view, price }: { view: View; price: Priced }) {
	const { account } = useWho();
	const [agreed, setAgreed] = useState("");
	const write = useWriteBill(view);
	const bill = (kind: "quote" | "invoice" | "credit") =>
		write.mutate(
			{
				kind,
				total: price.total.cents,
				agreed: kind === "quote" ? "" : agreed,
			},
			{
				onSuccess: () => setAgreed(""),
			},
		);
	const above = price.above > 0 && price.may_bill === undefined;
	return (
		<section aria-label="Papers" className="flex flex-col gap-3">
			<h2 className="font-semibold">Papers</h2>
			{price.papers.length > 0 && (
				<ul className="border-t border-rule">
					{price.papers.map((p) => (
						<li
							key={p.id}
							className="flex items-center gap-4 border-b border-rule"
						>
							<a
								className="flex min-h-12 flex-1 items-center justify-between underline underline-offset-4"
								href={`/api/jobs/${view.job.id}/bills/${p.id}/bill.pdf`}
							>
								<span>
									{titles[p.kind]} {p.number}, {when(p.at)}, {p.by}
								</span>
								<strong>{money(p.total)}</strong>
							</a>
							{price.xml && p.kind !== "quote" && (
								<a
									className="min-h-12 content-center underline underline-offset-4"
									href={`/api/jobs/${view.job.id}/bills/${p.id}/bill.xml`}
									title="UBL, for programs of bookkeepers"
								>
									XML
								</a>
							)}
						</li>
					))}
				</ul>
			)}
			<Asking view={view} price={price} />
			{(above || price.billed) && (
				<TextField
					label={
						price.billed ? "Why it is taken back" : "What was agreed about it"
					}
					value={agreed}
					onChange={setAgreed}
					error={write.error?.field("agreed")}
					maxLength={300}
				/>
			)}
			<Refusal error={write.error?.field("agreed") ? null : write.error} />
			<div className="flex flex-wrap gap-2">
				{!view.job.signed && !price.billed && (
					<Button disabled={write.isPending} onClick={() => bill("quote")}>
						Write a quote
					</Button>
				)}
				{price.may_bill === undefined && (
					<Button
						kind="now"
						disabled={write.isPending}
						onClick={() => bill("invoice")}
					>
						Write the invoice
					</Button>
				)}
				{price.billed && account.role === "owner" && (
					<Button disabled={write.isPending} onClick={() => bill("credit")}>
						Take the invoice back
					</Button>
				)}
			</div>
			{price.may_bill && !price.billed && (
				<p className="text-ink-2">No invoice yet: {price.may_bill}.</p>
			)}
		</section>
	);
}

const titles = { quote: "Quote", invoice: "Invoice", credit: "Credit" };
