import { useRef, useState } from "react";
import type { DayStep, Days } from "../../api/types";
import { clock, dayName } from "../../app/when";
import { HeapBlock } from "./HeapBlock";
import { heapsOf } from "./heaps";
import {
	momentAt,
	placeOf,
	type Stretch,
	stretches,
	whole,
	width,
} from "./scale";
import {
	Flags,
	flagTall,
	PlaceLane,
	placesOf,
	placeTall,
	Waits,
	waitTall,
} from "./Under";

const tall = 76;

/** A step that was dragged: to when, and so many lanes down. */
export type Dragged = { step: DayStep; at: string; lane: number };

/** A lane for each person along time; nights are narrow, work is solid. */
export function Lanes({
	days,
	picked,
	moved,
	busy,
	onPick,
	onHeap,
	onDrag,
}: {
	days: Days;
	picked?: DayStep;
	/** What lies elsewhere than in the plan that was taken stands out. */
	moved?: boolean;
	/** A move is being tried. */
	busy: boolean;
	onPick: (step: DayStep) => void;
	/** Several short pieces that are drawn as one. */
	onHeap: (steps: DayStep[]) => void;
	onDrag?: (d: Dragged) => void;
}) {
	const all = stretches(days.hours);
	const wide = whole(all);
	const places = placesOf(days);
	const mine = picked?.job ? stepsOf(days, picked.job) : [];
	const first = all.filter((s, i) => all[i - 1]?.day !== s.day);
	return (
		<div className="lit flex" data-lanes={days.people.length} aria-busy={busy}>
			<ul className="shrink-0 border-r border-rule pt-[68px]">
				{days.people.map((p) => (
					<li
						key={p.id}
						className="content-center px-4 font-semibold sm:pl-7"
						style={{ height: tall }}
					>
						{p.name.split(" ")[0]}
					</li>
				))}
				{places.map((p) => (
					<li
						key={p.key}
						className="content-center border-t border-rule px-4 text-ink-2 sm:pl-7"
						style={{ height: placeTall }}
					>
						{p.name}
					</li>
				))}
				{mine.length > 0 && (
					<li
						className="content-center border-t border-rule px-4 text-now sm:pl-7"
						style={{ height: waitTall }}
					>
						Waits
					</li>
				)}
				<li
					className="content-center border-t border-rule px-4 text-ink-2 sm:pl-7"
					style={{ height: flagTall + 20 }}
				>
					Promises
				</li>
			</ul>
			<section
				aria-label="Days along time"
				className="min-w-0 flex-1 overflow-x-auto"
				// biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by the keyboard
				tabIndex={0}
			>
				<div className="relative" style={{ width: wide + 40 }}>
					<div className="relative h-[68px]">
						{first.map((s, i) => (
							<p
								key={s.from}
								className="absolute top-1 font-semibold whitespace-nowrap"
								style={{ left: s.x + 4 }}
							>
								{(first[i + 1]?.x ?? Number.POSITIVE_INFINITY) - s.x < 100
									? dayName(s.from).split(" ")[0]
									: dayName(s.from)}
							</p>
						))}
						{days.weather.map((w) => {
							const at = Date.parse(w.from);
							return inside(all, at) ? (
								<span
									key={w.from}
									className={`absolute top-[30px] text-sm whitespace-nowrap ${w.fit ? "text-ink-2" : "font-semibold text-stop"}`}
									style={{ left: placeOf(all, at) + 4 }}
									title={`outdoors ${Math.round(w.c)} °C, ${Math.round(w.rh)} %${w.fit ? "" : ": no bond outdoors"}`}
								>
									{w.fit ? "" : "✗ "}
									{Math.round(w.c)}° {Math.round(w.rh)}%
								</span>
							) : null;
						})}
						{hoursOf(all).map((h) => (
							<span
								key={h.at}
								className="absolute bottom-0 text-sm text-ink-2"
								style={{ left: h.x + 2 }}
							>
								{h.says}
							</span>
						))}
					</div>
					{all.map((s) => (
						<div
							key={s.from}
							aria-hidden="true"
							className="absolute top-[68px] bottom-0 border-l border-rule bg-ground/60"
							style={{ left: s.x, width: width(s.from, s.to) }}
						/>
					))}
					{joins(days).map((j) => (
						<span
							key={j.key}
							aria-hidden="true"
							className="absolute w-1 bg-two"
							style={{
								left: placeOf(all, j.at),
								top: 68 + j.from * tall + 40,
								height: (j.to - j.from) * tall,
							}}
							data-join={j.key}
						/>
					))}
					{days.people.map((p, lane) => (
						<ul
							key={p.id}
							aria-label={p.name}
							className="relative border-t border-rule"
							style={{ height: tall }}
						>
							{heapsOf(p.steps, all).map((h) => {
								const s = h.steps[0];
								if (!s) return null;
								if (h.steps.length > 1)
									return (
										<HeapBlock
											key={s.key}
											heap={h}
											picked={picked}
											onPick={onHeap}
										/>
									);
								return (
									<Block
										key={s.key}
										step={s}
										x={h.x}
										w={h.w}
										picked={picked?.key === s.key}
										moved={moved && s.moved}
										onPick={() => onPick(s)}
										onDrop={
											onDrag &&
											((x, down) => {
												// Where a round goes is the round's: its words lead there.
												if (s.round) return onPick(s);
												onDrag({
													step: s,
													at: momentAt(all, h.x + x),
													lane: Math.min(
														days.people.length - 1,
														Math.max(0, lane + Math.round(down / tall)),
													),
												});
											})
										}
									/>
								);
							})}
						</ul>
					))}
					{places.map((p) => (
						<PlaceLane key={p.key} days={days} place={p.key} all={all} />
					))}
					{mine.length > 0 && (
						<Waits
							steps={mine}
							ready={days.jobs.find((j) => j.job === picked?.job)}
							all={all}
						/>
					)}
					<Flags
						days={days}
						all={all}
						onJobs={(jobs) => {
							const firsts = jobs.flatMap((j) => stepsOf(days, j)[0] ?? []);
							const s = firsts[0];
							if (firsts.length > 1) return onHeap(firsts);
							if (!s) return;
							onPick(s);
							document
								.querySelector(
									`[data-step="${s.key}"], [data-heap~="${s.key}"]`,
								)
								?.scrollIntoView({ inline: "center", block: "nearest" });
						}}
					/>
				</div>
			</section>
		</div>
	);
}

/** The pieces of a job in the order of time, each once. */
function stepsOf(days: Days, job: number): DayStep[] {
	const seen = new Set<string>();
	return days.people
		.flatMap((p) => p.steps)
		.filter((s) => s.job === job && !seen.has(s.key) && seen.add(s.key))
		.sort((a, b) => a.from.localeCompare(b.from));
}

/** What two do at once is joined across their lanes. */
function joins(days: Days) {
	const lanes = new Map<string, { at: number; lanes: number[] }>();
	days.people.forEach((p, lane) => {
		for (const s of p.steps) {
			if (s.with.length === 0 || s.round) continue;
			const k = lanes.get(s.key) ?? { at: Date.parse(s.from), lanes: [] };
			k.lanes.push(lane);
			lanes.set(s.key, k);
		}
	});
	return [...lanes].flatMap(([key, k]) =>
		k.lanes.length < 2
			? []
			: [
					{
						key,
						at: k.at,
						from: Math.min(...k.lanes),
						to: Math.max(...k.lanes),
					},
				],
	);
}

function Block({
	step,
	x,
	w,
	picked,
	moved,
	onPick,
	onDrop,
}: {
	step: DayStep;
	/** Where it lies and how wide it is drawn, px. */
	x: number;
	w: number;
	picked: boolean;
	moved?: boolean;
	onPick: () => void;
	onDrop?: (x: number, down: number) => void;
}) {
	const [drag, setDrag] = useState<{ x: number; y: number }>();
	const start = useRef<{ x: number; y: number }>(undefined);
	const dropped = useRef(false);
	const from = Date.parse(step.from);
	const two = step.with.length > 0;
	return (
		<li
			className={`absolute top-1.5 ${drag ? "z-10 opacity-80" : ""}`}
			style={{
				left: x + (drag?.x ?? 0),
				marginTop: drag?.y,
				width: w,
			}}
		>
			<button
				type="button"
				aria-pressed={picked}
				onClick={() => {
					if (!dropped.current) onPick();
					dropped.current = false;
				}}
				onPointerDown={(e) => {
					if (!onDrop || e.pointerType !== "mouse") return;
					start.current = { x: e.clientX, y: e.clientY };
					e.currentTarget.setPointerCapture(e.pointerId);
				}}
				onPointerMove={(e) => {
					if (!start.current) return;
					const x = e.clientX - start.current.x;
					const y = e.clientY - start.current.y;
					if (drag || Math.hypot(x, y) > 8) setDrag({ x, y });
				}}
				onPointerUp={() => {
					start.current = undefined;
					if (!drag) return;
					dropped.current = true;
					setDrag(undefined);
					onDrop?.(drag.x, drag.y);
				}}
				onPointerCancel={() => {
					start.current = undefined;
					setDrag(undefined);
				}}
				data-step={step.key}
				// Where the words stand on it, they are its name.
				aria-label={
					w > 34
						? undefined
						: `${clock(from)}, ${step.title}, ${step.object}${two ? `, with ${step.with.join(" and ")}` : ""}${step.pinned ? ", pinned" : ""}`
				}
				className={`block h-[62px] w-full overflow-hidden border-l-4 px-1 text-left text-[0.8125rem] leading-[1.15] ${
					two ? "border-two" : "border-now"
				} ${picked ? "bg-now text-on-now" : "bg-now-wash text-ink"} ${step.pinned ? "border-t-4 border-t-ink" : ""} ${moved ? "outline-2 -outline-offset-2 outline-dashed outline-ink" : ""}`}
				data-pinned={step.pinned}
				data-moved={moved}
			>
				{w > 34 && (
					<>
						<strong className="block font-semibold">{step.title}</strong>{" "}
						{step.object}
						<span className="sr-only">
							, {clock(from)}
							{step.pinned && ", pinned"}
							{two && `, with ${step.with.join(" and ")}`}
						</span>
					</>
				)}
			</button>
		</li>
	);
}

function inside(all: Stretch[], at: number): boolean {
	return all.some((s) => s.from <= at && at < s.to);
}

/** Every second full hour that is worked. */
function hoursOf(all: Stretch[]) {
	const out: { at: number; x: number; says: string }[] = [];
	for (const s of all) {
		const at = new Date(s.from);
		at.setMinutes(0, 0, 0);
		for (let t = at.getTime(); t < s.to; t += 3_600_000) {
			if (t < s.from) continue;
			out.push({
				at: t,
				x: placeOf(all, t),
				says: `${new Date(t).getHours()}`,
			});
		}
	}
	return out;
}
