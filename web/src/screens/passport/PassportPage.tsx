import { useParams } from "react-router";
import { usePassport } from "../../api/records";
import type { Passport, PassportPane } from "../../api/types";
import { Inches } from "../../app/Inches";
import { dayOf, when } from "../../app/when";
import { PlainDrawing } from "../../bench/PlainDrawing";
import { Lines } from "./Lines";

/** What goes with an object, opened by its code, without signing in. */
export function PassportPage() {
	const { token = "" } = useParams();
	const passport = usePassport(token);
	return (
		<main className="h-full overflow-y-auto bg-ground px-4 py-6 sm:px-7">
			<title>What was done to it · its passport</title>
			<div className="mx-auto max-w-[44em]" data-passport={token}>
				{passport.isPending && <p role="status">…</p>}
				{passport.isError && <Gone says={passport.error.message} />}
				{passport.data && <Opened p={passport.data} token={token} />}
			</div>
		</main>
	);
}

function Gone({ says }: { says: string }) {
	return (
		<>
			<h1 className="text-3xl font-semibold">Nothing is behind this code.</h1>
			<p role="alert" className="mt-2 text-lg text-ink-2">
				{says} It may have been withdrawn. Ask the shop whose name stands on the
				label.
			</p>
		</>
	);
}

function Opened({ p, token }: { p: Passport; token: string }) {
	return (
		<>
			<header className="border-b-2 border-ink pb-3">
				<p className="flex flex-wrap justify-between gap-x-6 text-ink-2">
					<span>
						{p.shop}
						{p.town && `, ${p.town}`}
					</span>
					<span>
						ticket {p.ticket}, {p.by}, {dayOf(p.out_at)}
					</span>
				</p>
				<h1 className="text-3xl font-semibold text-balance">{p.object}</h1>
				{p.newer && (
					<p className="mt-2 border-l-4 border-warn pl-3">
						<strong>It was here again since.</strong> This is how it stood on{" "}
						{dayOf(p.out_at)}; ask the shop for its newer page.
					</p>
				)}
			</header>
			{p.hard.length > 0 && (
				<section aria-label="Leave it until then" className="mt-5">
					<h2 className="text-xl font-semibold">Leave it until then</h2>
					<ul>
						{p.hard.map((h) => (
							<li
								key={h.title + h.at}
								className="flex flex-wrap justify-between gap-x-5 border-b border-rule py-2"
							>
								<span>
									{h.may}
									<span className="block text-ink-2">{h.title}</span>
								</span>
								<strong>
									{new Date(h.at) > new Date()
										? `not before ${when(h.at)}`
										: `✓ since ${dayOf(h.at)}`}
								</strong>
							</li>
						))}
					</ul>
				</section>
			)}
			<section aria-label="What is in" className="mt-5">
				{p.panes.map((q) => (
					<OnePane key={`${q.name} ${q.what} ${q.size}`} pane={q} />
				))}
			</section>
			{p.photos.length > 0 && (
				<section aria-label="Pictures" className="mt-5 flex flex-wrap gap-4">
					{p.photos.map((q) => (
						<figure key={q.id} className="max-w-full">
							<img
								src={`/api/passport/${token}/photos/${q.id}`}
								alt={q.what}
								className="h-auto max-h-[28em] max-w-full border border-ink"
							/>
							<figcaption className="text-ink-2">{q.what}</figcaption>
						</figure>
					))}
				</section>
			)}
			{p.told.length > 0 && (
				<section aria-label="To do and not to do" className="mt-6">
					<h2 className="text-xl font-semibold">To do and not to do</h2>
					<dl>
						{p.told.map((l) => (
							<div key={l.title + l.text} className="border-b border-rule py-2">
								<dt className="font-semibold">{l.title}</dt>
								<dd>{l.text}</dd>
							</div>
						))}
					</dl>
				</section>
			)}
			{p.due.length > 0 && (
				<section aria-label="When to look again" className="mt-6">
					<h2 className="text-xl font-semibold">When to look again</h2>
					<ul>
						{p.due.map((d) => (
							<li
								key={d.key}
								className="grid grid-cols-[8rem_1fr] gap-x-4 border-b border-rule py-2"
							>
								<strong>{dayOf(d.on)}</strong>
								<span>
									{d.what}
									<span className="block text-ink-2">{d.why}</span>
								</span>
							</li>
						))}
					</ul>
				</section>
			)}
			<section aria-label="To the next technician" className="mt-8">
				<h2 className="border-t-2 border-ink pt-3 text-2xl font-semibold">
					To the next technician
				</h2>
				<Lines head="What is not as it was" lines={p.letter.differs} />
				<Lines head="What stands in place of what" lines={p.letter.places} />
				<Lines head="Mind" lines={[...p.letter.odd, ...p.letter.tabs]} />
				<Lines head="How to get in" lines={p.letter.way_in} ordered />
				<Lines head="When it is due" lines={p.letter.due} />
			</section>
			<p className="mt-8 flex flex-wrap gap-x-6 text-ink-2">
				<a
					className="min-h-11 content-center underline underline-offset-4"
					href={`/api/passport/${token}/passport.pdf`}
				>
					On paper, PDF
				</a>
				<a
					className="min-h-11 content-center underline underline-offset-4"
					href={`/api/passport/${token}`}
					download={`ticket-${p.ticket}.json`}
				>
					As data, JSON
				</a>
			</p>
			<p className="mt-2 pb-8 text-[0.9375rem] text-ink-2">
				Local codes, the maker's instructions and people licensed for the work
				come first.
			</p>
		</>
	);
}

function OnePane({ pane }: { pane: PassportPane }) {
	return (
		<article className="mb-4 grid gap-x-6 gap-y-2 sm:grid-cols-[1fr_300px]">
			<div>
				<h2 className="text-xl font-semibold">
					{pane.name && `${pane.name}: `}
					{pane.what}
				</h2>
				{pane.size && (
					<p className="font-figure text-2xl font-semibold">
						<Inches>{pane.size}</Inches>{" "}
						<span className="text-base font-normal text-ink-2">
							<Inches>{pane.other ?? ""}</Inches>
						</span>
					</p>
				)}
				<p className="text-ink-2">{pane.way}</p>
				{[...pane.laid, pane.seal].filter(Boolean).map((l) => (
					<p key={l}>{l}</p>
				))}
				<details className="mt-1">
					<summary className="min-h-11 cursor-pointer content-center font-semibold">
						Proved: {pane.checks.filter((c) => !c.fail && !c.skip).length}{" "}
						checks
					</summary>
					<ul className="pl-3">
						{pane.checks.map((c) => (
							<li key={c.text}>
								{c.fail ? "✗" : c.skip ? "–" : "✓"} {c.text}
								{c.got && `, ${c.got}`}
								{c.skip && ` (${c.skip})`}
							</li>
						))}
					</ul>
				</details>
			</div>
			{pane.size && (
				<PlainDrawing
					drawing={pane.drawing}
					label={`The pane, ${pane.size}`}
					tall={220}
				/>
			)}
		</article>
	);
}
