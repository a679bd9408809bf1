import { useState } from "react";
import { Link } from "react-router";
import { useDays } from "../../api/days";
import type { Better, DayStep, Days, WhatIf } from "../../api/types";
import { usePulse } from "../../api/usePulse";
import { Band } from "../../app/Band";
import { Title } from "../../app/Title";
import { Refusal } from "../../parts/Refusal";
import { Changes } from "./Changes";
import { ForecastForm } from "./ForecastForm";
import { HeapList } from "./HeapBlock";
import { type Dragged, Lanes } from "./Lanes";
import { MyDay } from "./MyDay";
import { Promises } from "./Promises";
import { StepWhy } from "./StepWhy";
import { TakeAway } from "./TakeAway";
import { gain, TriedBand } from "./TriedBand";
import { WhatIfForm } from "./WhatIfForm";

const way = "min-h-11 content-center underline underline-offset-4";

/** Who does what, when and where, and which promises that keeps. */
export function DaysScreen() {
	usePulse();
	const { better, days, take, unpin, tried, so } = useDays();
	const [picked, setPicked] = useState<DayStep>();
	const [heap, setHeap] = useState<DayStep[]>([]);
	const [what, setWhat] = useState<WhatIf>();
	const d = days.data;
	const then = what && tried.data;
	const shown = then?.days ?? d;
	const risky = (d?.jobs ?? []).filter((j) => !j.safe);
	const leave = () => {
		setWhat(undefined);
		tried.reset();
		so.reset();
	};
	const pick = (s?: DayStep) => {
		leave();
		setHeap([]);
		setPicked(s);
	};
	const attempt = (w: WhatIf) => {
		so.reset();
		tried.mutate(w, { onSuccess: () => setWhat(w) });
	};
	const dragged = ({ step, at, lane }: Dragged) => {
		const to = d?.people[lane];
		if (!d || !to) return;
		// What two do stays theirs; what one does is whose lane it lies in.
		const mine = d.people
			.filter((p) => p.steps.some((s) => s.key === step.key))
			.map((p) => p.id);
		setPicked(step);
		attempt({
			move: [{ step: step.key, at, people: mine.length > 1 ? mine : [to.id] }],
		});
	};
	return (
		<div className="flex h-full flex-col">
			<Title of="Days" />
			<header className="flex flex-wrap items-baseline justify-between gap-x-8 px-4 pt-3 pb-2 sm:px-7">
				<h1 className="text-[1.375rem] font-semibold">
					{then ? "Days, as they would be" : "Days"}
				</h1>
				{!then && (
					<p className="flex gap-x-6">
						<Link to="/rounds" className={way}>
							rounds of the van
						</Link>
						<Link to="/wall/days" className={`${way} max-sm:hidden`}>
							for the wall
						</Link>
					</p>
				)}
				{d && !then && d.jobs.some((j) => j.promised_at) && (
					<p className="text-ink-2">
						{risky.length === 0
							? "every promise is kept, nine times in ten or better"
							: unsafeOf(
									risky.length,
									d.jobs.filter((j) => j.promised_at).length,
								)}
					</p>
				)}
			</header>
			{days.isPending && (
				<p role="status" className="flex-1 px-4 sm:px-7">
					Laying out the days …
				</p>
			)}
			<div className="px-4 sm:px-7">
				<Refusal error={days.error ?? take.error ?? unpin.error ?? so.error} />
			</div>
			{d && d.jobs.length + d.left.length === 0 && <Nothing />}
			{d && shown && d.jobs.length + d.left.length > 0 && (
				<main className="min-h-0 flex-1 overflow-y-auto border-t border-rule">
					<div className="max-sm:hidden">
						<Lanes
							days={shown}
							picked={picked}
							moved={then !== undefined}
							busy={tried.isPending}
							onPick={pick}
							onHeap={(steps) => {
								pick(undefined);
								setHeap(steps);
							}}
							onDrag={then || tried.isPending ? undefined : dragged}
						/>
					</div>
					<MyDay days={shown} />
					<p className="px-4 pt-2 text-ink-2 max-sm:hidden sm:px-7" data-tidy>
						{tidied(shown)}
					</p>
					{then ? (
						<Changes tried={then} />
					) : (
						<>
							{heap.length > 0 && (
								<HeapList
									steps={heap}
									onPick={pick}
									onLeave={() => setHeap([])}
								/>
							)}
							{picked && (
								<StepWhy
									key={picked.key}
									days={d}
									step={picked}
									onLeave={() => pick(undefined)}
									onTry={attempt}
									onUnpin={() =>
										unpin.mutate(picked.key, {
											onSuccess: () => setPicked(undefined),
										})
									}
									error={tried.error}
								/>
							)}
							{d.loose.map((l) => (
								<p
									key={l.why}
									className="mx-4 my-2 border-l-4 border-warn bg-warn-wash px-3 py-2 sm:mx-7"
									data-loose
								>
									A pin holds no more, {l.object}, {l.why}
								</p>
							))}
							<WhatIfForm
								days={d}
								onTry={(w) => {
									setPicked(undefined);
									attempt(w);
								}}
								busy={tried.isPending}
								error={picked ? null : tried.error}
							/>
							<Promises days={d} />
							<ForecastForm />
							<TakeAway />
						</>
					)}
				</main>
			)}
			<Band>
				{then && what ? (
					<TriedBand
						tried={then}
						busy={so.isPending}
						onLeave={leave}
						onSo={() =>
							so.mutate(
								{ what, seen: then.days.version },
								{
									// It is the plan now, and no longer as it would be.
									onSuccess: () => pick(undefined),
									onError: () => setWhat(undefined),
								},
							)
						}
					/>
				) : (
					<div className="flex min-w-0 flex-1 flex-wrap items-center justify-between gap-x-4 gap-y-1 bg-tape px-4 py-2 text-on-tape sm:px-6">
						<strong className="text-lg">
							{tried.isPending ? "Trying it …" : stand(d, better)}
						</strong>
						<button
							type="button"
							className="min-h-12 shrink-0 border-2 border-on-tape px-5 font-bold disabled:opacity-60"
							disabled={take.isPending || !d}
							onClick={() => {
								setPicked(undefined);
								take.mutate();
							}}
							data-take
						>
							Plan anew
						</button>
					</div>
				)}
			</Band>
		</div>
	);
}

/** How far the days are from what was taken, and what planning anew would bring. */
function stand(d?: Days, better?: Better): string {
	const moved =
		d && d.moved > 0
			? `${d.moved} ${d.moved === 1 ? "step" : "steps"} moved since you took the plan`
			: "The days as they stand";
	if (!better?.is) return moved;
	return `${moved}; planned anew: ${gain(better.now, better.then)}`;
}

/** How the days lie, in a line. */
function tidied({ tidy: t }: Days): string {
	const n = (many: number, one: string, more: string) =>
		`${many} ${many === 1 ? one : more}`;
	return [
		n(t.pairs, "task for two people", "tasks for two people"),
		n(t.changes, "change of place", "changes of place"),
		n(t.opened, "tube to open", "tubes to open"),
		`${Math.round(t.idle)} h idle in the next two days`,
	].join(" · ");
}

function Nothing() {
	return (
		<main className="min-h-0 flex-1 overflow-y-auto px-4 py-6 sm:px-7">
			<p className="max-w-[24em] text-3xl font-semibold">
				Nothing is open, so nobody is busy.
			</p>
			<p className="mt-3 max-w-[40em] text-lg text-ink-2">
				Take a pane in: its work stands here by itself, say Tor strips the stove
				at nine, the rope's cement rests over noon, and the door is hung at two
				by whoever is free.
			</p>
		</main>
	);
}

/** How many promises are not safe, in a sentence. */
function unsafeOf(n: number, all: number): string {
	if (all === 1) return "the one promise is not safe";
	return `${n} of ${all} promises ${n === 1 ? "is" : "are"} not safe`;
}
