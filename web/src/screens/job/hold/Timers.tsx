import { useState } from "react";
import { useDropTimer, useNextTimer, useStartTimer } from "../../../api/hold";
import type { TimerView, View } from "../../../api/types";
import { later } from "../../../app/later";
import { span, when } from "../../../app/when";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";
import type { Started } from "./OwnTimer";
import { useTick } from "./useTick";

const OwnTimer = later(() => import("./OwnTimer"), "OwnTimer");

/** Clocks that are no chemistry: water, first heat, paint, cooling. Each keeps its step or check shut. */
export function Timers({ view, station }: { view: View; station: string }) {
	const [own, setOwn] = useState(false);
	const start = useStartTimer(view);
	const begin = (body: Started, onDone?: () => void) =>
		start.mutate(body, {
			onSuccess: onDone,
		});
	const closed = view.job.signed || !!view.job.withdrawn;
	const may = view.may_time.filter((o) => o.station === station);
	if (
		closed ||
		(view.timers.length === 0 && may.length === 0 && !timed(station))
	)
		return null;
	return (
		<section aria-label="Clocks" className="mt-4 flex flex-col gap-2">
			{view.timers.map((t) => (
				<Running key={t.id} view={view} timer={t} />
			))}
			{may.map((o) => (
				<Button
					key={o.id}
					className="self-start text-left"
					disabled={start.isPending}
					data-start={o.id}
					onClick={() => begin({ usual: o.id, gates: o.gates, check: o.check })}
				>
					Start: {o.stages?.[0]?.what} · {span(o.stages?.[0]?.minutes.v ?? 0)}
				</Button>
			))}
			{timed(station) &&
				(own ? (
					<OwnTimer
						view={view}
						station={station}
						pending={start.isPending}
						error={start.error}
						onStart={(body) => begin(body, () => setOwn(false))}
						onLeave={() => setOwn(false)}
					/>
				) : (
					<button
						type="button"
						className="min-h-11 self-start text-ink-2 underline underline-offset-4"
						onClick={() => setOwn(true)}
					>
						another clock
					</button>
				))}
			{!own && <Refusal error={start.error} />}
		</section>
	);
}

/** Where things are waited for. */
function timed(station: string): boolean {
	return ["prepare", "set", "hold", "refit", "prove"].includes(station);
}

/** One clock, with what is left of it. */
function Running({ view, timer }: { view: View; timer: TimerView }) {
	const now = useTick();
	const next = useNextTimer(view, timer);
	const drop = useDropTimer(view, timer);
	const left = Math.ceil((Date.parse(timer.until) - now) / 1000);
	const out = left <= 0;
	return (
		<div
			className={`border-l-4 pl-3 ${out ? "border-now" : "border-ink"}`}
			data-timer={out ? "out" : "runs"}
		>
			<p className="flex flex-wrap items-baseline justify-between gap-x-4">
				<strong className="text-lg font-semibold">{timer.what}</strong>
				<strong className={`font-figure text-2xl ${out ? "text-now" : ""}`}>
					{out ? "✓ out" : clock(left)}
				</strong>
			</p>
			<p className="text-ink-2">
				{out ? `since ${when(timer.until)}` : `until ${when(timer.until)}`}
				{timer.title && `; keeps “${timer.title}” shut`}
				{timer.may && `. ${timer.may}`}
			</p>
			<p className="flex flex-wrap gap-x-4">
				{out && timer.next && (
					<Button
						disabled={next.isPending}
						onClick={() => next.mutate(undefined)}
					>
						Next: {timer.next}
					</Button>
				)}
				<button
					type="button"
					className="min-h-11 text-ink-2 underline underline-offset-4"
					disabled={drop.isPending}
					onClick={() => drop.mutate(undefined)}
				>
					remove
				</button>
			</p>
			<Refusal error={next.error ?? drop.error} />
		</div>
	);
}

/** 9:05, or 2 h 10 for what is longer than an hour. */
function clock(seconds: number): string {
	if (seconds >= 3600) return span(Math.ceil(seconds / 60));
	return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}
