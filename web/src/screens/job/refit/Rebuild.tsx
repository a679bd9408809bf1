import type { StripLine, View } from "../../../api/types";
import { later } from "../../../app/later";
import { PackStack } from "../../../bench/PackStack";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";
import { type StripTools, useStrip } from "../strip/useStrip";

const GoesBack = later(() => import("./GoesBack"), "GoesBack");

/** The lines of the strip log that go back at a station; those that no step has, at Refit. */
function linesAt(view: View, station: string): StripLine[] {
	const { steps } = view.reckoning.plan;
	return view.strip.back.filter(
		(l) =>
			!l.step &&
			(steps.find((s) => s.key === `line:${l.id}`)?.station ?? "refit") ===
				station,
	);
}

/** The strip log backwards, line by line, counts ticked. */
export function Rebuild({ view, station }: { view: View; station: string }) {
	const strip = useStrip(view);
	const lines = linesAt(view, station);
	const refit = station === "refit";
	if (refit ? view.job.strip.length === 0 : lines.length === 0) return null;
	const now = lines.find((l) => !l.done && l.ready);
	const withSteps = view.strip.back.filter((l) => l.step);
	return (
		<section className="mt-4" aria-label="Rebuild">
			<h2 className="font-semibold">Back in, in this order</h2>
			{refit && <PackStack layers={view.strip.stack} />}
			<Refusal error={strip.back.error} />
			<ol className="border-t border-rule">
				{lines.map((l) => (
					<BackLine
						key={l.id}
						line={l}
						now={l === now}
						view={view}
						strip={strip}
					/>
				))}
			</ol>
			{refit && withSteps.length > 0 && (
				<p className="mt-2 text-ink-2">
					Back with their steps:{" "}
					{withSteps
						.map((l) => `${l.done ? "✓ " : ""}${whatOf(view, l)} (${l.step})`)
						.join("; ")}
					.
				</p>
			)}
			{refit && view.strip.open.length === 0 && (
				<p className="mt-2 text-now">Everything counts out.</p>
			)}
			{refit && view.strip.open.length > 0 && (
				<p className="mt-2 text-ink-2">
					Still out:{" "}
					{view.strip.open.map((o) => `${o.what}, ${o.say}`).join("; ")}.
				</p>
			)}
		</section>
	);
}

function whatOf(view: View, line: StripLine): string {
	return (
		view.job.strip.find((r) => r.entry.id === line.id)?.entry.what ?? line.say
	);
}

function BackLine({
	line,
	now,
	view,
	strip,
}: {
	line: StripLine;
	now: boolean;
	view: View;
	strip: StripTools;
}) {
	const version =
		view.job.strip.find((r) => r.entry.id === line.id)?.version ?? 0;
	const put = (n: number) =>
		strip.back.mutate({ entry: line.id, in: n, version });
	return (
		<li
			data-back={line.id}
			className={`border-b border-l-4 border-b-rule py-2 pl-3 ${now ? "border-l-now bg-now-wash" : "border-l-transparent"}`}
		>
			<p className={line.done ? "text-ink-2" : "text-lg"}>
				{line.number}. {line.say}
				{line.bag && (
					<span className="ml-2 border border-ink px-1.5 text-sm">
						bag {line.bag}
					</span>
				)}
			</p>
			{!line.done && (
				<>
					{line.with && (
						<p className="text-[0.9375rem] text-ink-2">{line.with}</p>
					)}
					{line.waits && (
						<p
							className="text-[0.9375rem] text-ink-2"
							data-back-waits={line.id}
						>
							Not yet: {line.waits}.
						</p>
					)}
					{line.facing && (
						<p className="text-[0.9375rem]">Faces: {line.facing}</p>
					)}
					{line.warnings.map((w) => (
						<p
							key={w}
							className="my-0.5 border-l-4 border-warn bg-warn-wash pl-2 text-[0.9375rem]"
						>
							<strong className="text-warn">Mind:</strong> {w}
						</p>
					))}
				</>
			)}
			{!line.done && !view.job.signed && (
				<GoesBack line={line} view={view} strip={strip} />
			)}
			<p className="flex flex-wrap items-center gap-3 pt-1">
				<span className="font-figure text-xl font-semibold">
					{line.in} of {line.of} in
				</span>
				{!view.job.signed && !line.done && (
					<>
						{line.of > 1 && (
							<Button onClick={() => put(line.in + 1)}>one in</Button>
						)}
						<Button kind={now ? "now" : "plain"} onClick={() => put(line.of)}>
							{line.of > 1 ? `all ${line.of} in` : line.slide ? "snug" : "in"}
						</Button>
					</>
				)}
				{!view.job.signed && line.in > 0 && (
					<button
						type="button"
						className="min-h-11 text-[0.9375rem] underline underline-offset-4"
						onClick={() => put(line.in - 1)}
					>
						one out again
					</button>
				)}
			</p>
		</li>
	);
}
