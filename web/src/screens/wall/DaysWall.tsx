import { Link } from "react-router";
import { useDaysNow } from "../../api/days";
import type { DayStep, Days } from "../../api/types";
import { usePulse } from "../../api/usePulse";
import { Title } from "../../app/Title";
import { clock, dayName } from "../../app/when";

/** Who does what today and next, to be read across the shop: no lanes, only what counts. */
export function DaysWall() {
	usePulse();
	const days = useDaysNow();
	const d = days.data;
	return (
		<div className="flex h-full flex-col">
			<Title of="Days, for the wall" />
			<header className="flex flex-wrap items-baseline justify-between gap-x-8 border-b-2 border-ink px-4 py-3 sm:px-7">
				<h1 className="text-2xl font-semibold">Who does what</h1>
				<p className="text-2xl">{dayName(new Date().toISOString())}</p>
				<Link
					to="/days"
					className="min-h-11 content-center text-ink-2 underline underline-offset-4"
				>
					back to Days
				</Link>
			</header>
			<main className="flex-1 overflow-y-auto px-4 py-4 sm:px-7">
				{days.isError && <p role="alert">{days.error.message}</p>}
				{d && d.jobs.length + d.left.length === 0 && (
					<p className="max-w-[26em] text-3xl font-semibold">
						Nothing is open, so nobody is busy.
						<span className="mt-3 block text-xl font-normal text-ink-2">
							When a pane is taken in, its work stands here by itself: say 9:00,
							Tor, strip the stove's door; 13:00, with Mira, the cab's pane in.
						</span>
					</p>
				)}
				{d && d.people.length > 0 && (
					<div
						className="grid gap-x-8 gap-y-6 md:grid-flow-col md:auto-cols-fr"
						data-days-wall={d.people.length}
					>
						{d.people.map((p) => (
							<section key={p.id} aria-label={p.name}>
								<h2 className="text-3xl font-semibold">
									{p.name.split(" ")[0]}
								</h2>
								<Coming steps={p.steps} />
							</section>
						))}
					</div>
				)}
				{d && <Soon days={d} />}
			</main>
		</div>
	);
}

const shown = 6;

function Coming({ steps }: { steps: DayStep[] }) {
	if (steps.length === 0)
		return <p className="text-xl text-ink-2">nothing planned</p>;
	const first = dayName(steps[0]?.from ?? "");
	const today = first === dayName(new Date().toISOString());
	return (
		<ol className="border-t border-rule">
			{!today && <li className="pt-1 text-xl text-ink-2">{first}</li>}
			{steps.slice(0, shown).map((s) => (
				<li key={s.key} className="border-b border-rule py-2 text-xl">
					<strong className="font-figure font-semibold">
						{dayName(s.from) !== first && `${dayName(s.from).split(",")[0]} `}
						{clock(s.from)}
					</strong>{" "}
					{s.title}
					<span className="block text-ink-2">{s.object}</span>
					{s.with.length > 0 && (
						<strong className="block font-semibold text-two">
							with {s.with.map((w) => w.split(" ")[0]).join(" and ")}
						</strong>
					)}
				</li>
			))}
		</ol>
	);
}

/** What is promised next, and whether that is safe. */
function Soon({ days }: { days: Days }) {
	const next = days.jobs.filter((j) => j.promised_at).slice(0, 5);
	if (next.length === 0) return null;
	return (
		<section aria-label="Promised next" className="mt-6">
			<h2 className="text-xl font-semibold">Promised next</h2>
			<ul className="border-t border-rule text-xl">
				{next.map((j) => (
					<li
						key={j.job}
						className={`flex flex-wrap justify-between gap-x-6 border-b border-rule py-1.5 ${j.safe ? "" : "font-semibold text-stop"}`}
					>
						<Link
							to={`/jobs/${j.job}`}
							className="min-h-11 content-center underline-offset-4 hover:underline"
						>
							{!j.safe && <span aria-hidden="true">! </span>}
							{j.object}
						</Link>
						<span className="font-figure">
							{j.promised_at &&
								`${dayName(j.promised_at)}, ${clock(j.promised_at)}`}
						</span>
					</li>
				))}
			</ul>
		</section>
	);
}
