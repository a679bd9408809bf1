import { Link } from "react-router";
import { useToday } from "../../api/days";
import { useOwing } from "../../api/price";
import type { Today, Turn } from "../../api/types";
import { usePulse } from "../../api/usePulse";
import { Page } from "../../app/Page";
import { dayOf, longDay, span, when } from "../../app/when";
import { useWho } from "../../app/who";
import { MiniRoute } from "../../bench/MiniRoute";
import { money } from "../../parts/money";
import { CallMe } from "./CallMe";
import { Slipping } from "./Slipping";

/** What do I do now? One sentence, then the rest of the day. */
export function TodayScreen() {
	usePulse();
	const today = useToday();
	const { account, shop } = useWho();
	const day = longDay(new Date());
	return (
		<Page title={`${day}, ${account.name}`} page="Today" aside={shop.town}>
			{today.isError && <p role="alert">{today.error.message}</p>}
			{today.data && <Day today={today.data} />}
		</Page>
	);
}

function Day({ today }: { today: Today }) {
	if (!today.first && today.waits.length === 0) return <Empty />;
	const rest = today.turns.filter((t) => t.job !== today.first?.job);
	const now = rest.filter((t) => !t.later);
	const later = rest.filter((t) => t.later);
	return (
		<div className="grid grid-cols-1 gap-x-12 gap-y-8 xl:grid-cols-[1fr_400px]">
			<div>
				{today.first ? (
					<First turn={today.first} />
				) : (
					<p className="max-w-[24em] text-3xl font-semibold">
						Nothing to do at the bench: every job waits for something.
					</p>
				)}
				<Group title="Now" turns={now} />
				<Group title="Later" turns={later} />
			</div>
			<Side today={today} />
		</div>
	);
}

function Group({ title, turns }: { title: string; turns: Turn[] }) {
	if (turns.length === 0) return null;
	return (
		<section className="mt-8" aria-label={title}>
			<h2 className="mb-1 font-semibold">{title}</h2>
			<ol className="border-t border-rule">
				{turns.map((t) => (
					<Line key={t.job} turn={t} />
				))}
			</ol>
		</section>
	);
}

/** Who else is at it, and since when nothing was heard of them. */
function Hands({ turn }: { turn: Turn }) {
	if (turn.hands.length === 0) return null;
	return (
		<span className="ml-2 font-semibold text-now" data-hands>
			{turn.hands.map((h) => h.name.split(" ")[0]).join(", ")}{" "}
			{turn.hands.length > 1 ? "are" : "is"} at it
		</span>
	);
}

function First({ turn }: { turn: Turn }) {
	return (
		<section data-first={turn.job}>
			<p className="max-w-[22em] text-[2.125rem] leading-[1.15] font-semibold text-balance">
				{turn.problem
					? `Look again at the ${named(turn)}.`
					: `${turn.next}: ${named(turn)}.`}
			</p>
			<p className="mt-2 max-w-[44em] text-lg text-ink-2">
				{sentence(turn.problem ?? turn.do)} <Why turn={turn} />
			</p>
			<p className="mt-4 flex flex-wrap items-center gap-4">
				<Link
					to={wayTo(turn)}
					className="inline-flex min-h-14 items-center bg-now px-6 text-lg font-semibold text-on-now"
				>
					{turn.problem
						? "Go and look"
						: turn.minutes > 0
							? `Start · ${span(turn.minutes)}`
							: "Go there"}
				</Link>
				{turn.people > 1 && (
					<span className="font-semibold text-two">
						two people: {turn.two_why}
					</span>
				)}
				<Hands turn={turn} />
			</p>
		</section>
	);
}

/** Where the next work is: the job, its station and the pane that comes next. */
function wayTo(turn: Turn, station = turn.station): string {
	const pane = turn.panes > 1 ? `?pane=${turn.pane}` : "";
	return `/jobs/${turn.job}/${station}${pane}`;
}

function named(turn: Turn): string {
	return turn.name ? `${lower(turn.object)}, ${turn.name}` : lower(turn.object);
}

function lower(s: string): string {
	return s.charAt(0).toLowerCase() + s.slice(1);
}

/** A text with its full stop, so that the next sentence begins. */
function sentence(s: string): string {
	return s === "" || /[.!?]$/.test(s) ? s : `${s}.`;
}

function Why({ turn }: { turn: Turn }) {
	const left =
		turn.left > 0 ? `${span(turn.left)} of work are left` : "only this is left";
	if (!turn.promised_at) return <>Nothing is promised; {left}.</>;
	if (turn.late) {
		return (
			<strong className="font-semibold text-stop">
				Late: promised {when(turn.promised_at)}, and {left}.
			</strong>
		);
	}
	return (
		<>
			Promised {when(turn.promised_at)}; {left}.
		</>
	);
}

function Line({ turn }: { turn: Turn }) {
	return (
		<li className="border-b border-rule">
			<Link
				to={wayTo(turn)}
				className="grid min-h-16 grid-cols-[1fr_auto] items-center gap-x-5 gap-y-1 py-2 hover:bg-now-wash sm:grid-cols-[7.5rem_1fr_11rem]"
			>
				<span
					className={`font-semibold max-sm:order-last ${turn.late ? "text-stop" : ""}`}
				>
					{turn.late && <span className="block text-sm">late</span>}
					{turn.promised_at ? when(turn.promised_at) : "no promise"}
				</span>
				<span className="min-w-0">
					<span className="block">
						<strong className="font-semibold">{turn.next}</strong>
						{turn.people > 1 && (
							<span className="ml-2 font-semibold text-two">two people</span>
						)}
						<Hands turn={turn} />
					</span>
					<span className="block truncate text-ink-2">
						{turn.object}
						{turn.name && `, ${turn.name}`} · {turn.customer}
						{turn.place === "site" && " · at the customer's"}
					</span>
				</span>
				<span className="max-sm:hidden">
					<MiniRoute legs={turn.route} />
				</span>
			</Link>
		</li>
	);
}

function Side({ today }: { today: Today }) {
	const two = today.turns
		.filter((t) => t.two)
		.sort((a, b) => (a.two?.in ?? 0) - (b.two?.in ?? 0));
	return (
		<aside className="flex flex-col gap-7">
			<Clocks today={today} />
			<Slipping />
			<section>
				<h2 className="mb-1 font-semibold">Waiting</h2>
				{today.waits.length === 0 && (
					<p className="text-ink-2">Nothing waits for a delivery.</p>
				)}
				<ul className="border-t border-rule">
					{today.waits.map((t) => (
						<li key={t.job} className="border-b border-rule">
							<Link
								to={wayTo(t, t.station === "hold" ? "hold" : "source")}
								className="block py-2.5 hover:bg-now-wash"
							>
								<span className="flex justify-between gap-4 text-lg font-semibold">
									<span>{t.object}</span>
									<span className="whitespace-nowrap">
										{t.waits_until ? when(t.waits_until) : "no date"}
									</span>
								</span>
								<span className="block text-ink-2">{t.waits}</span>
								{t.late && t.promised_at && (
									<strong className="block text-stop">
										promised {when(t.promised_at)}
									</strong>
								)}
							</Link>
						</li>
					))}
				</ul>
			</section>
			<DueSoon today={today} />
			<Overdue />
			{today.backup && (
				<p className="border-l-4 border-stop pl-3">
					<strong className="font-semibold text-stop">
						{today.backup.at
							? `No backup since ${when(today.backup.at)}.`
							: "No backup has ever been made."}
					</strong>{" "}
					<Link to="/shop" className="underline underline-offset-4">
						See Shop
					</Link>
				</p>
			)}
			<section>
				<h2 className="mb-1 font-semibold">Needs two people</h2>
				{two.length === 0 ? (
					<p className="text-ink-2">
						Nothing in the next two hours wants a second person.
					</p>
				) : (
					<ul>
						{two.map((t) => (
							<li key={t.job}>
								<Link
									to={wayTo(t)}
									className="block min-h-11 content-center text-two underline underline-offset-4"
								>
									{t.two?.in ? `in ${span(t.two.in)} of work: ` : "now: "}
									{t.two?.title}, {lower(t.object)}
								</Link>
							</li>
						))}
					</ul>
				)}
			</section>
			<p className="text-ink-2">
				{today.open} open {today.open === 1 ? "job" : "jobs"},{" "}
				{span(today.left)} of hands-on work in them; {today.signed} signed off.
			</p>
		</aside>
	);
}

/** An empty shop teaches with a made-up example. */
function Empty() {
	return (
		<div className="max-w-[40em]">
			<p className="text-[2.125rem] leading-tight font-semibold">
				The table is empty. Take in the first pane.
			</p>
			<p className="mt-3 text-lg text-ink-2">
				Say a sauna stove comes in with a cracked door: whose it is, what heat
				it sees, what holds the pane, what happened. Then lay the tape in the
				recess; the program sizes the pane, rules out what the fire would break,
				and says which bracket to snug first.
			</p>
			<Link
				to="/take-in"
				className="mt-5 inline-flex min-h-14 items-center bg-now px-6 text-lg font-semibold text-on-now"
			>
				Take in a pane
			</Link>
		</div>
	);
}

/** Invoices that are late, for an owner. */
function Overdue() {
	const { account } = useWho();
	const owing = useOwing(account.role === "owner");
	const late = (owing.data ?? []).filter((o) => o.state === "overdue");
	if (late.length === 0) return null;
	return (
		<section aria-label="Not paid in time">
			<h2 className="mb-1 font-semibold">Not paid in time</h2>
			<Link to="/ledger" className="block py-2 hover:bg-now-wash" data-overdue>
				<span className="flex justify-between gap-4 text-lg font-semibold">
					<span>
						{late.length} {late.length === 1 ? "invoice" : "invoices"}
					</span>
					<span className="font-figure">
						{money(late.reduce((n, o) => n + o.open, 0))}
					</span>
				</span>
				<span className="block text-ink-2">
					{late
						.slice(0, 3)
						.map((o) => o.customer)
						.join(", ")}
					{late.length > 3 && " and others"}
				</span>
			</Link>
		</section>
	);
}

/** What is to be looked at again this week. */
function DueSoon({ today }: { today: Today }) {
	if (today.due.length === 0) return null;
	return (
		<section aria-label="To be looked at again">
			<h2 className="mb-1 font-semibold">To be looked at again</h2>
			<ul className="border-t border-rule">
				{today.due.map((d) => (
					<li key={d.id} className="border-b border-rule">
						<Link to="/records" className="block py-2 hover:bg-now-wash">
							<span className="flex justify-between gap-4 font-semibold">
								<span>{d.object}</span>
								<span className="whitespace-nowrap">{dayOf(d.due_at)}</span>
							</span>
							<span className="block text-ink-2">{d.what}</span>
						</Link>
					</li>
				))}
			</ul>
		</section>
	);
}

/** Where a clock is looked at. */
function wayOf(c: Today["clocks"][number]): string {
	if (c.kind === "comes") return `/jobs/${c.job}/source`;
	return c.kind === "hardens"
		? `/jobs/${c.job}/hold?pane=${c.pane}`
		: `/jobs/${c.job}?pane=${c.pane}`;
}

/** What hardens: the next thing that each may be given to. */
function Clocks({ today }: { today: Today }) {
	// What is delivered stands under Waiting.
	const clocks = today.clocks.filter((c) => c.kind !== "comes");
	return (
		<section aria-label="Clocks">
			<h2 className="mb-1 flex flex-wrap items-center justify-between gap-x-4 font-semibold">
				Clocks
				<Link
					to="/wall"
					className="min-h-11 content-center font-normal text-ink-2 underline underline-offset-4"
				>
					the adhesive day, for the wall
				</Link>
			</h2>
			{clocks.length === 0 && (
				<p className="text-ink-2">Nothing hardens, nothing runs.</p>
			)}
			<ul className="border-t border-rule">
				{clocks.map((c) => (
					<li
						key={`${c.kind} ${c.job} ${c.pane} ${c.title}`}
						className="border-b border-rule"
					>
						<Link to={wayOf(c)} className="block py-2.5 hover:bg-now-wash">
							<span className="flex justify-between gap-4 text-lg font-semibold">
								<span>{c.object}</span>
								<span
									className={`whitespace-nowrap ${c.out ? "text-now" : ""}`}
								>
									{c.out ? "✓ since " : ""}
									{when(c.at)}
								</span>
							</span>
							<span className="block text-ink-2">
								{c.title}: {c.may}
							</span>
						</Link>
					</li>
				))}
			</ul>
			{clocks.length > 0 && <CallMe />}
		</section>
	);
}
