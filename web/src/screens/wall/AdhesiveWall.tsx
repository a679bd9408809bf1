import { Link } from "react-router";
import { useAdhesiveDay } from "../../api/days";
import type { DayLine } from "../../api/types";
import { usePulse } from "../../api/usePulse";
import { Title } from "../../app/Title";
import { clock, weekday } from "../../app/when";

const every = 60_000;

/** What is opened, set, peeled, unclamped and ready: one line an hour, to be read across the shop. */
export function AdhesiveWall() {
	usePulse();
	const day = useAdhesiveDay(every);
	return (
		<div className="flex h-full flex-col">
			<Title of="The adhesive day, for the wall" />
			<header className="flex flex-wrap items-baseline justify-between gap-x-8 border-b-2 border-ink px-4 py-3 sm:px-7">
				<h1 className="text-2xl font-semibold">The adhesive day</h1>
				{day.data && !day.data.air && (
					<p className="text-xl">
						Nobody has read the air at the bench: no bead has a time.
					</p>
				)}
				{day.data?.air && (
					<p className="font-figure text-2xl">
						bench {Math.round(day.data.air.c)} °C, {Math.round(day.data.air.rh)}{" "}
						%
					</p>
				)}
				<Link
					to="/"
					className="min-h-11 content-center text-ink-2 underline underline-offset-4"
				>
					back to Today
				</Link>
			</header>
			<main className="flex-1 overflow-y-auto px-4 py-4 sm:px-7">
				{day.isError && <p role="alert">{day.error.message}</p>}
				{day.data && day.data.lines.length === 0 && (
					<p className="max-w-[26em] text-3xl font-semibold">
						Nothing hardens, and nothing is near its bead.
						<span className="mt-3 block text-xl font-normal text-ink-2">
							When a pane is here and its frame is prepared it stands on this
							wall by itself: say 9:00, open one tube for the cab and the
							wheelhouse; 9:12, in place before it skins.
						</span>
					</p>
				)}
				{day.data && <Hours lines={day.data.lines} />}
			</main>
		</div>
	);
}

/** Lines by the hour in which they fall. */
function Hours({ lines }: { lines: DayLine[] }) {
	const hours = new Map<string, DayLine[]>();
	for (const l of lines) {
		const h = hourOf(l.at);
		hours.set(h, [...(hours.get(h) ?? []), l]);
	}
	return (
		<ol>
			{[...hours].map(([hour, list]) => (
				<li
					key={hour}
					className="grid gap-x-6 border-b border-rule py-2 sm:grid-cols-[9rem_1fr]"
					data-hour={hour}
				>
					<h2 className="font-figure text-2xl font-semibold">{hour}</h2>
					<ul>
						{list.map((l) => (
							<Event key={`${l.at} ${l.kind} ${l.name} ${l.says}`} line={l} />
						))}
					</ul>
				</li>
			))}
		</ol>
	);
}

const marks: Record<DayLine["kind"], string> = {
	not: "✗",
	open: "▸",
	"set-by": "!",
	"let-go": "◔",
	ready: "◕",
	full: "●",
	runs: "◷",
	comes: "↓",
};

function Event({ line }: { line: DayLine }) {
	const over = Date.parse(line.at) <= Date.now();
	const words = (
		<>
			<span aria-hidden="true" className="mr-3 inline-block w-6 text-center">
				{marks[line.kind]}
			</span>
			<strong className="font-figure font-semibold">{clock(line.at)}</strong>{" "}
			{line.name && <strong className="font-semibold">{line.name}: </strong>}
			{line.says}
		</>
	);
	return (
		<li
			className={`text-xl ${line.kind === "not" ? "text-stop" : line.kind === "set-by" ? "font-semibold" : over ? "text-ink-2" : ""}`}
			data-line={line.kind}
		>
			{line.job ? (
				<Link
					to={`/jobs/${line.job}${line.kind === "ready" || line.kind === "let-go" || line.kind === "full" ? "/hold" : ""}${line.pane ? `?pane=${line.pane}` : ""}`}
					className="block min-h-11 py-1 hover:bg-now-wash"
				>
					{words}
				</Link>
			) : (
				<span className="block py-1">{words}</span>
			)}
		</li>
	);
}

/** 14 h, or Fri 9 h for another day. */
function hourOf(iso: string): string {
	const at = new Date(iso);
	const hour = `${at.getHours()} h`;
	return at.toDateString() === new Date().toDateString()
		? hour
		: `${weekday(at)} ${hour}`;
}
