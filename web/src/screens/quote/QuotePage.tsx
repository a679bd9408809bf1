import { useState } from "react";
import { useParams } from "react-router";
import { useAnswerQuote, useQuotePage } from "../../api/price";
import type { QuotePage as Quote } from "../../api/types";
import { dayOf } from "../../app/when";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { money } from "../../parts/money";
import { Refusal } from "../../parts/Refusal";

/** A quote behind its code: what is done, what it costs, what is not in it, and the yes. */
export function QuotePage() {
	const { token = "" } = useParams();
	const quote = useQuotePage(token);
	return (
		<main className="h-full overflow-y-auto bg-ground px-4 py-6 sm:px-7">
			<title>A quote for your yes</title>
			<div className="mx-auto max-w-[44em]" data-quote={token}>
				{quote.isPending && <p role="status">…</p>}
				{quote.isError && (
					<>
						<h1 className="text-3xl font-semibold">
							Nothing is behind this code.
						</h1>
						<p role="alert" className="mt-2 text-lg text-ink-2">
							{quote.error.message} It may have been withdrawn. Ask the shop
							whose name stands on the quote.
						</p>
					</>
				)}
				{quote.data && <Opened q={quote.data} token={token} />}
			</div>
		</main>
	);
}

function Opened({ q, token }: { q: Quote; token: string }) {
	const open = ["unasked", "waiting", "call"].includes(q.stands);
	return (
		<>
			<header className="border-b-2 border-ink pb-3">
				<p className="flex flex-wrap justify-between gap-x-6 text-ink-2">
					<span>
						{q.shop}
						{q.town && `, ${q.town}`}
						{q.phone && ` · ${q.phone}`}
						{q.mail && ` · ${q.mail}`}
					</span>
					<span>
						quote {q.number}, {dayOf(q.at)}
					</span>
				</p>
				<h1 className="text-3xl font-semibold text-balance">{q.object}</h1>
				<p
					className={`mt-2 text-lg ${q.stands === "yes" ? "border-l-4 border-now pl-3 font-semibold" : ""}`}
					data-stands={q.stands}
				>
					{q.says}
				</p>
			</header>
			<Lines title="What is done" lines={q.bill.covers} />
			<Sums q={q} />
			<Lines title="What is not in it" lines={q.bill.not} />
			{q.bill.note && <p className="mt-5 text-lg">{q.bill.note}</p>}
			{q.photos.length > 0 && (
				<section aria-label="Pictures" className="mt-5 flex flex-wrap gap-4">
					{q.photos.map((id, n) => (
						<img
							key={id}
							src={`/api/quote/${token}/photos/${id}`}
							alt={`${q.object}, ${n + 1}`}
							className="h-auto max-h-[28em] max-w-full border border-ink"
						/>
					))}
				</section>
			)}
			{open && <Answer token={token} called={q.stands === "call"} />}
		</>
	);
}

function Lines({ title, lines }: { title: string; lines: string[] }) {
	if (lines.length === 0) return null;
	return (
		<section aria-label={title} className="mt-5">
			<h2 className="text-xl font-semibold">{title}</h2>
			<ul>
				{lines.map((l) => (
					<li key={l} className="border-b border-rule py-2">
						{l}
					</li>
				))}
			</ul>
		</section>
	);
}

function Sums({ q }: { q: Quote }) {
	const { bill } = q;
	return (
		<section aria-label="What it costs" className="mt-5">
			<h2 className="flex justify-between text-xl font-semibold">
				<span>What it costs</span>
				<span className="text-ink-2">{q.currency}</span>
			</h2>
			<ul>
				{bill.lines.map((l, n) => (
					<li
						// biome-ignore lint/suspicious/noArrayIndexKey: lines of a paper never move
						key={n}
						className="grid grid-cols-[1fr_auto_6rem] gap-x-4 border-b border-rule py-1.5"
					>
						<span>{l.text}</span>
						<span className="text-ink-2">{l.quantity}</span>
						<span className="font-figure text-right">{money(l.cents)}</span>
					</li>
				))}
			</ul>
			<dl className="mt-1 grid grid-cols-[1fr_auto] gap-x-4">
				{bill.basis > 0 && (
					<>
						<dt>Without tax</dt>
						<dd className="font-figure text-right">{money(bill.net)}</dd>
						<dt>Tax, {money(bill.basis)} %</dt>
						<dd className="font-figure text-right">{money(bill.tax)}</dd>
					</>
				)}
				{bill.basis === 0 && q.tax_free && (
					<>
						<dt>No tax: {q.tax_free}</dt>
						<dd className="font-figure text-right">{money(0)}</dd>
					</>
				)}
				<dt className="text-2xl font-semibold">In all</dt>
				<dd className="font-figure text-right text-2xl font-semibold">
					{money(bill.total)}
				</dd>
				{q.ahead && (
					<>
						<dt>Of that, before the work begins</dt>
						<dd className="font-figure text-right">{money(q.ahead)}</dd>
					</>
				)}
			</dl>
		</section>
	);
}

/** Yes, or a call: with a name, and a word where one is wanted. */
function Answer({ token, called }: { token: string; called: boolean }) {
	const write = useAnswerQuote(token);
	const [name, setName] = useState("");
	const [words, setWords] = useState("");
	return (
		<section
			aria-label="Your answer"
			className="mt-7 mb-4 flex flex-col gap-4 border-t-2 border-ink pt-4"
		>
			<h2 className="text-xl font-semibold">Your answer</h2>
			<TextField
				label="Your name"
				value={name}
				onChange={setName}
				error={write.error?.field("name")}
				autoComplete="name"
				maxLength={120}
			/>
			<TextField
				label="A word to the shop"
				hint="when to call, what is unclear; may be left out"
				value={words}
				onChange={setWords}
				error={write.error?.field("words")}
				maxLength={500}
			/>
			<Refusal error={write.error?.field("name") ? null : write.error} />
			<p className="flex flex-wrap gap-3">
				<Button
					kind="now"
					disabled={write.isPending}
					onClick={() => write.mutate({ yes: true, name, words })}
				>
					Yes, do it
				</Button>
				<Button
					disabled={write.isPending}
					onClick={() => write.mutate({ yes: false, name, words })}
				>
					{called ? "Call me, once more" : "Call me first"}
				</Button>
			</p>
			<p className="text-ink-2">
				A yes orders the work for the sum above. The shop keeps your name, the
				moment and your words.
			</p>
		</section>
	);
}
