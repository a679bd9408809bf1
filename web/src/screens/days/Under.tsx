import type { DayReady, DayStep, Days } from "../../api/types";
import { when } from "../../app/when";
import { odds } from "./odds";
import { placeOf, type Stretch, width } from "./scale";

export const placeTall = 34;
const names = { bench: "Benches", van: "Van", table: "Table" } as const;
type Place = keyof typeof names;

/** The places that somebody works at in these days, in their order. */
export function placesOf(days: Days): { key: Place; name: string }[] {
	const used = new Set(days.people.flatMap((p) => p.steps.map((s) => s.place)));
	return (Object.keys(names) as Place[])
		.filter((k) => used.has(k))
		.map((key) => ({ key, name: names[key] }));
}

/** A place along time: a line for each piece of work at it, as many side by side as there are. */
export function PlaceLane({
	days,
	place,
	all,
}: {
	days: Days;
	place: Place;
	all: Stretch[];
}) {
	const seen = new Set<string>();
	const steps = days.people
		.flatMap((p) => p.steps)
		.filter((s) => s.place === place && !seen.has(s.key) && seen.add(s.key))
		.sort((a, b) => a.from.localeCompare(b.from));
	const rows: number[] = [];
	return (
		<div
			aria-hidden="true"
			className="relative border-t border-rule"
			style={{ height: placeTall }}
			data-place={place}
		>
			{steps.map((s) => {
				const from = Date.parse(s.from);
				const to = Date.parse(s.to);
				let row = rows.findIndex((end) => end <= from);
				if (row < 0) row = rows.length;
				rows[row] = to;
				return (
					<span
						key={s.key}
						className="absolute h-1.5 bg-ink-2"
						style={{
							left: placeOf(all, from),
							width: Math.max(3, width(from, to) - 2),
							top: 6 + (row % 4) * 8,
						}}
					/>
				);
			})}
		</div>
	);
}

export const waitTall = 40;

/** The waits of one job, thin lines that need nobody, and its promise as a flag. */
export function Waits({
	steps,
	ready,
	all,
}: {
	steps: DayStep[];
	ready?: DayReady;
	all: Stretch[];
}) {
	const last = steps.at(-1);
	return (
		<div
			className="relative border-t border-rule"
			style={{ height: waitTall }}
			data-waits={steps.length}
		>
			{steps.map((s, i) => {
				const next = steps[i + 1];
				if (!next) return null;
				const x = placeOf(all, Date.parse(s.to));
				const w = placeOf(all, Date.parse(next.from)) - x;
				return w < 2 ? null : (
					<span
						key={s.key}
						title={next.why}
						className="absolute top-[19px] h-0.5 bg-now"
						style={{ left: x, width: w }}
					/>
				);
			})}
			{steps.map((s) => (
				<span
					key={s.key}
					className="absolute top-[13px] h-3.5 bg-now"
					style={{
						left: placeOf(all, Date.parse(s.from)),
						width: Math.max(3, width(Date.parse(s.from), Date.parse(s.to)) - 2),
					}}
				/>
			))}
			{ready?.promised_at && last && (
				<span
					className={`absolute top-0 text-sm whitespace-nowrap ${ready.safe ? "text-ink" : "font-semibold text-stop"}`}
					style={{ left: placeOf(all, Date.parse(ready.promised_at)) + 2 }}
				>
					<span aria-hidden="true">⚑ </span>
					{when(ready.promised_at)}, {odds(ready.kept)}
				</span>
			)}
		</div>
	);
}

export const flagTall = 28;

/** Every promise along time; one that is not safe stands out by its mark and its colour. */
export function Flags({
	days,
	all,
	onJobs,
}: {
	days: Days;
	all: Stretch[];
	onJobs: (jobs: number[]) => void;
}) {
	const flags: { x: number; jobs: DayReady[] }[] = [];
	const promised = days.jobs
		.filter((j) => j.promised_at)
		.map((j) => ({ j, x: placeOf(all, Date.parse(j.promised_at ?? "")) }))
		.sort((a, b) => a.x - b.x);
	for (const { j, x } of promised) {
		const last = flags.at(-1);
		// Nearer than a finger is wide, they are one flag with how many they are.
		if (last && x < last.x + 44) last.jobs.push(j);
		else flags.push({ x, jobs: [j] });
	}
	return (
		<ul
			aria-label="Promises along time"
			className="relative border-t border-rule"
			style={{ height: flagTall + 20 }}
		>
			{flags.map(({ jobs, x }) => {
				const safe = jobs.every((j) => j.safe);
				const says = jobs
					.map(
						(j) =>
							`${j.object}: promised ${when(j.promised_at ?? "")}, ${odds(j.kept)}`,
					)
					.join("; ");
				return (
					<li
						key={jobs[0]?.job}
						className="absolute top-0"
						style={{ left: x - 2 }}
					>
						<button
							type="button"
							className={`h-12 w-11 text-left text-lg leading-none ${safe ? "text-ink-2" : "font-bold text-stop"}`}
							title={says}
							onClick={() => onJobs(jobs.map((j) => j.job))}
							data-flag={jobs.map((j) => j.job).join(" ")}
						>
							<span aria-hidden="true">
								⚑{jobs.length > 1 && jobs.length}
								{!safe && "!"}
							</span>
							<span className="sr-only">{says}</span>
						</button>
					</li>
				);
			})}
		</ul>
	);
}
