import { useState } from "react";
import { Link } from "react-router";
import { usePeople } from "../../api/people";
import { useRounds, type Wanted } from "../../api/rounds";
import type { Rounds } from "../../api/types";
import { usePulse } from "../../api/usePulse";
import { Band } from "../../app/Band";
import { Title } from "../../app/Title";
import { dayName, span } from "../../app/when";
import { Button } from "../../parts/Button";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { Tick } from "../../parts/Tick";
import { LoadList } from "./LoadList";
import { RoadMapForm } from "./RoadMapForm";
import { RoundTable } from "./RoundTable";
import { VisitLine } from "./VisitLine";

/** Jobs at customers' gathered into rounds of the van. */
export function RoundsScreen() {
	usePulse();
	const { rounds, tried, take, drop, site } = useRounds();
	const [want, setWant] = useState<Wanted>({ day: "", people: [], jobs: [] });
	const r = rounds.data;
	const day = want.day || r?.days?.[1] || r?.days?.[0] || "";
	const t = tried.data;
	const change = (w: Partial<Wanted>) => {
		setWant((was) => ({ ...was, day, ...w }));
		tried.reset();
		take.reset();
	};
	const along = (job: number, on: boolean) => {
		change({});
		setWant((was) => ({
			...was,
			jobs: on ? [...was.jobs, job] : was.jobs.filter((j) => j !== job),
		}));
	};
	const ready = want.jobs.length > 0 && want.people.length > 0 && day !== "";
	return (
		<div className="flex h-full flex-col">
			<Title of="Rounds of the van" />
			<header className="flex flex-wrap items-baseline justify-between gap-x-8 px-4 pt-3 pb-2 sm:px-7">
				<h1 className="text-[1.375rem] font-semibold">Rounds of the van</h1>
				<Link
					to="/days"
					className="min-h-11 content-center underline underline-offset-4"
				>
					to Days
				</Link>
			</header>
			<main className="min-h-0 flex-1 overflow-y-auto border-t border-rule px-4 py-4 sm:px-7">
				<Refusal error={rounds.error ?? drop.error} />
				{r && r.open.length + r.taken.length === 0 && <Nothing />}
				{r && (
					<div className="grid gap-x-12 gap-y-8 lg:grid-cols-2">
						<div className="flex flex-col gap-5">
							{r.open.length > 0 && (
								<>
									<section aria-label="Whom to visit">
										<h2 className="font-semibold">Whom to visit</h2>
										<ul className="border-t border-rule">
											{r.open.map((v) => (
												<VisitLine
													key={v.job}
													v={v}
													places={r.places ?? []}
													chosen={want.jobs.includes(v.job)}
													onChoose={(on) => along(v.job, on)}
													onSite={(s, done) =>
														site.mutate(s, { onSuccess: done })
													}
													busy={site.isPending}
													error={
														site.variables?.job === v.job ? site.error : null
													}
												/>
											))}
										</ul>
									</section>
									<section aria-label="When">
										<h2 className="mb-2 font-semibold">When</h2>
										<Pick
											label="Day of the round"
											value={day}
											onChange={(d) => change({ day: d })}
											options={(r.days ?? []).map((d) => ({
												value: d,
												label: dayName(`${d}T12:00:00`),
											}))}
										/>
									</section>
									<WhoGoes
										people={want.people}
										onChange={(people) => change({ people })}
									/>
								</>
							)}
							<RoadMapForm />
						</div>
						<div>
							<Refusal error={tried.error ?? take.error} />
							{t && (
								<section
									aria-label="The round, laid out"
									ref={(e) => e?.scrollIntoView({ block: "nearest" })}
									data-laid-out
								>
									{t.sheet.stops.length > 0 && <RoundTable sheet={t.sheet} />}
									<p className="mt-2">
										{span(t.driving)} on the road and the water
										{t.waiting > 0 && `, ${span(t.waiting)} waiting`}
										{t.sheet.stops.length > 1 &&
											t.apart > t.driving &&
											`; each on its own it would be ${span(t.apart)}`}
										.
									</p>
									{t.left.map((l) => (
										<p
											key={l.job}
											className="mt-2 border-l-4 border-stop bg-stop-wash px-3 py-2"
											data-left={l.job}
										>
											<strong className="font-semibold">{l.object}</strong> does
											not go in: {l.why}.
										</p>
									))}
								</section>
							)}
							<Taken rounds={r} onDrop={drop.mutate} busy={drop.isPending} />
						</div>
					</div>
				)}
			</main>
			<Band>
				<div className="flex min-w-0 flex-1 flex-wrap items-center justify-between gap-x-4 gap-y-1 bg-tape px-4 py-2 text-on-tape sm:px-6">
					<strong className="text-lg">{nextOf(want, t !== undefined)}</strong>
					{t && t.left.length === 0 ? (
						<button
							type="button"
							className="min-h-12 shrink-0 border-2 border-on-tape px-5 font-bold disabled:opacity-60"
							disabled={take.isPending}
							onClick={() =>
								take.mutate(
									{ ...want, day },
									{ onSuccess: () => change({ jobs: [] }) },
								)
							}
							data-take-round
						>
							Take it
						</button>
					) : (
						<button
							type="button"
							className="min-h-12 shrink-0 border-2 border-on-tape px-5 font-bold disabled:opacity-60"
							disabled={!ready || tried.isPending}
							onClick={() => tried.mutate({ ...want, day })}
							data-lay-out
						>
							Lay it out
						</button>
					)}
				</div>
			</Band>
		</div>
	);
}

function nextOf(want: Wanted, laid: boolean): string {
	if (want.jobs.length === 0) return "Whom to visit?";
	if (want.people.length === 0) return "Who goes?";
	if (laid) return "The round as it would be driven";
	return `A round of ${want.jobs.length} ${want.jobs.length === 1 ? "visit" : "visits"}`;
}

function WhoGoes({
	people,
	onChange,
}: {
	people: number[];
	onChange: (p: number[]) => void;
}) {
	const all = usePeople();
	return (
		<fieldset className="flex flex-wrap gap-x-6">
			<legend className="font-semibold">Who goes</legend>
			{all.data
				?.filter((p) => p.active)
				.map((p) => (
					<Tick
						key={p.id}
						checked={people.includes(p.id)}
						onChange={(on) =>
							onChange(
								on ? [...people, p.id] : people.filter((id) => id !== p.id),
							)
						}
					>
						{p.name.split(" ")[0]}
					</Tick>
				))}
		</fieldset>
	);
}

function Taken({
	rounds,
	onDrop,
	busy,
}: {
	rounds: Rounds;
	onDrop: (id: number) => void;
	busy: boolean;
}) {
	const [open, setOpen] = useState(0);
	return (
		<>
			{rounds.taken.map((s) => (
				<section
					key={s.id}
					aria-label="A round that was taken"
					className="mt-6 border-l-4 border-now pl-4"
					data-taken={s.id}
				>
					<RoundTable sheet={s} />
					<p className="mt-1 flex flex-wrap gap-x-5">
						<Button
							kind="quiet"
							onClick={() => setOpen(open === s.id ? 0 : s.id)}
							aria-expanded={open === s.id}
						>
							what goes into the van
						</Button>
						<a
							className="inline-block min-h-12 content-center underline underline-offset-4"
							href={`/api/rounds/${s.id}/sheet.pdf`}
						>
							on paper, PDF
						</a>
						<Button kind="quiet" disabled={busy} onClick={() => onDrop(s.id)}>
							give it up
						</Button>
					</p>
					{open === s.id && <LoadList id={s.id} />}
				</section>
			))}
		</>
	);
}

function Nothing() {
	return (
		<p className="mb-6 max-w-[26em] text-3xl font-semibold">
			No job is at a customer's.
			<span className="mt-3 block text-lg font-normal text-ink-2">
				When one is taken in “at the customer's” it stands here: say a
				greenhouse light across the water and an oven door on the way to the
				ferry go into one round, out at ten past eight, back at noon.
			</span>
		</p>
	);
}
