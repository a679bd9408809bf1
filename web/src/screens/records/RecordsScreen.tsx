import { useDeferredValue, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { useSearch } from "../../api/records";
import type { Refused } from "../../api/refused";
import type { Found } from "../../api/types";
import { usePulse } from "../../api/usePulse";
import { Page } from "../../app/Page";
import { useWho } from "../../app/who";
import { TextField } from "../../parts/Field";
import { DueList } from "./DueList";

/** Everything that is kept, by any word of it; below it what is to be looked at again. */
export function RecordsScreen() {
	usePulse();
	const { account } = useWho();
	const [query, setQuery] = useSearchParams();
	// The field is its own: an address that is still being written must not eat a letter.
	const [words, setWords] = useState(query.get("words") ?? "");
	function look(w: string) {
		setWords(w);
		setQuery(w === "" ? {} : { words: w }, { replace: true });
	}
	const asked = useDeferredValue(words.trim());
	const found = useSearch(asked);
	return (
		<Page
			title="Records"
			aside={
				account.role === "owner" && (
					<Link
						to="/ledger"
						className="inline-block min-h-11 content-center underline underline-offset-4"
					>
						what is open, and the ledger
					</Link>
				)
			}
		>
			<div className="mb-6 max-w-[32em]">
				<TextField
					label="Find anything"
					hint="An object, a customer, a batch, a part's number, a bag, a ticket, what lay in the way"
					value={words}
					onChange={look}
					maxLength={80}
				/>
			</div>
			{asked.length > 1 ? (
				<Results
					found={found.data}
					error={found.error}
					words={asked}
					onLook={look}
				/>
			) : (
				<DueList />
			)}
		</Page>
	);
}

function Results({
	found,
	error,
	words,
	onLook,
}: {
	found?: Found;
	error: Refused | null;
	words: string;
	onLook: (words: string) => void;
}) {
	if (error) return <p role="alert">{error.message}</p>;
	if (!found) return <p role="status">…</p>;
	const none =
		found.jobs.length + found.customers.length + found.stores.length === 0;
	if (none) {
		return (
			<p className="max-w-[36em] text-lg text-ink-2">
				Nothing kept has “{words}” in it. Try the beginning of one word: a
				batch, a street, what was in the way of the pane.
			</p>
		);
	}
	return (
		<div className="grid max-w-[72em] gap-x-12 gap-y-6 lg:grid-cols-[1fr_320px]">
			<section aria-label="Jobs found">
				<h2 className="mb-1 font-semibold">
					{found.jobs.length}
					{found.more && "+"} {found.jobs.length === 1 ? "job" : "jobs"}
				</h2>
				<ul className="border-t border-rule">
					{found.jobs.map((j) => (
						<li key={j.id} className="border-b border-rule" data-found={j.id}>
							<Link
								to={`/jobs/${j.id}`}
								className="grid min-h-14 grid-cols-[3rem_1fr_auto] items-baseline gap-x-3 py-2 hover:bg-now-wash"
							>
								<span className="font-figure text-ink-2">{j.id}</span>
								<span className="min-w-0">
									<strong className="font-semibold">{j.object}</strong>
									<span className="block truncate text-ink-2">
										{j.customer}
										{j.story && ` · ${j.story}`}
									</span>
								</span>
								<span className="text-ink-2">
									{j.signed ? "signed off" : j.withdrawn ? "withdrawn" : "open"}
								</span>
							</Link>
						</li>
					))}
				</ul>
			</section>
			<div className="flex flex-col gap-6">
				{found.customers.length > 0 && (
					<section aria-label="Customers found">
						<h2 className="mb-1 font-semibold">Customers</h2>
						<ul className="border-t border-rule">
							{found.customers.map((c) => (
								<li key={c.id} className="border-b border-rule">
									<button
										type="button"
										className="min-h-12 w-full py-2 text-left hover:bg-now-wash"
										onClick={() => onLook(c.name)}
									>
										<strong className="font-semibold">{c.name}</strong>{" "}
										<span className="text-ink-2">{c.phone}</span>
									</button>
								</li>
							))}
						</ul>
					</section>
				)}
				{found.stores.length > 0 && (
					<section aria-label="In the stores">
						<h2 className="mb-1 font-semibold">In the stores</h2>
						<ul className="border-t border-rule">
							{found.stores.map((s) => (
								<li key={s.id} className="border-b border-rule">
									<Link
										className="flex justify-between gap-3 py-2 hover:bg-now-wash"
										to={`/stores?item=${s.id}`}
									>
										<span>{s.called}</span>
										<span className="font-figure">
											{s.quantity} {s.unit}
										</span>
									</Link>
								</li>
							))}
						</ul>
					</section>
				)}
			</div>
		</div>
	);
}
