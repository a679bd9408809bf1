import { useState } from "react";
import { Link } from "react-router";
import { useOwing } from "../../api/price";
import type { Owing } from "../../api/types";
import { usePulse } from "../../api/usePulse";
import { Page } from "../../app/Page";
import { TextField } from "../../parts/Field";
import { money } from "../../parts/money";
import { Paged } from "../../parts/Paged";

/** What is open and what is to be given back, and the papers for the bookkeeper. */
export function LedgerScreen() {
	usePulse();
	const owing = useOwing();
	return (
		<Page title="Ledger">
			{owing.isError && <p role="alert">{owing.error.message}</p>}
			{owing.isPending && <p role="status">Adding it up …</p>}
			{owing.data && (
				<div className="grid max-w-[72em] grid-cols-1 gap-x-12 gap-y-8 lg:grid-cols-[1fr_340px]">
					<div className="flex flex-col gap-8">
						<OwingList owing={owing.data} />
					</div>
					<Takes />
				</div>
			)}
		</Page>
	);
}

function OwingList({ owing }: { owing: Owing[] }) {
	if (owing.length === 0)
		return (
			<p className="max-w-[32em] text-lg text-ink-2">
				Nothing is open. An invoice stands here from the day on which it is
				written, say for a stove's pane, until its last cent is paid.
			</p>
		);
	const groups = [
		["Overdue", owing.filter((o) => o.state === "overdue")],
		["Open", owing.filter((o) => o.state === "open")],
		["To be given back", owing.filter((o) => o.state === "back")],
	] as const;
	return groups.map(([title, list]) =>
		list.length === 0 ? null : (
			<section key={title} aria-label={title}>
				<h2 className="mb-1 flex justify-between font-semibold">
					<span>{title}</span>
					<span className="font-figure">
						{money(list.reduce((n, o) => n + Math.abs(o.open), 0))}
					</span>
				</h2>
				<Paged
					className="border-t border-rule"
					all={[...list]}
					row={(o) => <Line key={o.job} o={o} />}
				/>
			</section>
		),
	);
}

function Line({ o }: { o: Owing }) {
	return (
		<li className="border-b border-rule" data-owing={o.job}>
			<Link
				to={`/jobs/${o.job}?price`}
				className="grid min-h-14 grid-cols-[1fr_auto] items-center gap-x-4 py-2 hover:bg-now-wash"
			>
				<span className="min-w-0">
					<strong className="font-semibold">{o.customer}</strong>
					{o.phone && <span className="text-ink-2"> {o.phone}</span>}
					<span className="block truncate text-ink-2">
						{o.number > 0 ? `invoice ${o.number}` : "no invoice stands"},{" "}
						{o.object}
					</span>
				</span>
				<span className="text-right">
					<strong className="font-figure text-lg">
						{money(Math.abs(o.open))}
					</strong>
					{o.late && (
						<span className="block text-sm text-stop">
							{o.late === 1 ? "1 day late" : `${o.late} days late`}
						</span>
					)}
				</span>
			</Link>
		</li>
	);
}

const link = "min-h-11 content-center underline underline-offset-4";

/** What the bookkeeper takes away, of the days that are wanted. */
function Takes() {
	const year = new Date().getFullYear();
	const [from, setFrom] = useState(`${year}-01-01`);
	const [to, setTo] = useState(`${year}-12-31`);
	const days = `from=${from}&to=${to}`;
	const whole = from !== "" && to !== "" && from <= to;
	return (
		<section aria-label="For the bookkeeper" className="flex flex-col gap-3">
			<h2 className="font-semibold">For the bookkeeper</h2>
			<div className="grid grid-cols-2 gap-3">
				<TextField label="From" type="date" value={from} onChange={setFrom} />
				<TextField
					label="To"
					type="date"
					value={to}
					onChange={setTo}
					error={
						from !== "" && to !== "" && from > to
							? { field: "to", why: "this is before the first day" }
							: undefined
					}
				/>
			</div>
			{whole && (
				<p className="flex flex-col">
					<a className={link} href={`/api/ledger.csv?${days}`}>
						invoices and credits, CSV
					</a>
					<a className={link} href={`/api/payments.csv?${days}`}>
						what was paid, CSV
					</a>
				</p>
			)}
			<p className="text-ink-2">
				Each invoice is also an XML file (UBL 2.1), at the price of its job.
			</p>
		</section>
	);
}
