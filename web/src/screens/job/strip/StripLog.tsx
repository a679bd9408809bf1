import { useState } from "react";
import { useEarlierStrips } from "../../../api/strip";
import type { StripRecord, View } from "../../../api/types";
import { later } from "../../../app/later";
import { ObjectSketch } from "../../../bench/ObjectSketch";
import { PackStack } from "../../../bench/PackStack";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";
import { Sheet } from "../../../parts/Sheet";
import { dotsOf } from "./dots";
import { PhotoFirst } from "./PhotoFirst";
import { Photos } from "./Photos";
import { unnamed } from "./usePhotoLines";
import { type StripTools, useStrip } from "./useStrip";

const SealAgain = later(() => import("./SealAgain"), "SealAgain");

const StripForm = later(() => import("./StripForm"), "StripForm");
const CorrectEntry = later(() => import("./CorrectEntry"), "CorrectEntry");

/** What came off, in the order in which it came off. */
export function StripLog({ view }: { view: View }) {
	const strip = useStrip(view);
	const [noting, setNoting] = useState(false);
	const { job } = view;
	return (
		<section className="mt-4" aria-label="Strip log">
			<h2 className="font-semibold">What came off</h2>
			{!job.signed && (
				<>
					<div className="flex flex-wrap items-center gap-x-3">
						<Button kind="now" className="my-2" onClick={() => setNoting(true)}>
							Note what came off
						</Button>
						<PhotoFirst view={view} />
					</div>
					<Sheet
						title="What came off?"
						open={noting}
						onClose={() => setNoting(false)}
					>
						<StripForm view={view} strip={strip} />
					</Sheet>
				</>
			)}
			{job.strip.length === 0 ? (
				<Start view={view} strip={strip} />
			) : (
				<ObjectSketch dots={dotsOf(view)} />
			)}
			<ol className="border-t border-rule">
				{job.strip.map((r) => (
					<EntryLine key={r.entry.id} record={r} view={view} strip={strip} />
				))}
			</ol>
			<Refusal
				error={strip.drop.error ?? strip.change.error ?? strip.move.error}
			/>
			<PackStack layers={view.strip.stack} />
			<Needs view={view} />
		</section>
	);
}

function EntryLine({
	record,
	view,
	strip,
}: {
	record: StripRecord;
	view: View;
	strip: StripTools;
}) {
	const { entry, version } = record;
	const [correcting, setCorrecting] = useState(false);
	const [judging, setJudging] = useState(false);
	const nameless = unnamed.test(entry.what);
	const line = view.strip.back.find((l) => l.id === entry.id);
	const under = (entry.captures ?? []).map(
		(c) => view.job.strip.find((r) => r.entry.id === c)?.entry.what ?? c,
	);
	const act = "min-h-11 underline underline-offset-4";
	return (
		<li data-strip={entry.id} className="border-b border-rule py-2">
			<p className="flex flex-wrap items-baseline gap-x-2">
				<span className="font-figure text-lg font-semibold text-wax">
					{record.position}
				</span>
				<strong className="font-semibold">
					{entry.count > 1 && `${entry.count} × `}
					{entry.what}
				</strong>
				{entry.bag && (
					<span className="border border-ink px-1.5 text-sm">
						bag {entry.bag}
					</span>
				)}
				{entry.loosen && <span className="text-ink-2">loosened only</span>}
				{entry.fate !== "back" && (
					<span className="text-wax">{entry.fate}</span>
				)}
			</p>
			<p className="text-[0.9375rem] text-ink-2">
				{[
					entry.where,
					line?.with?.split(";")[0],
					entry.facing,
					under.length > 0 && `holds down ${under.join(", ")}`,
				]
					.filter(Boolean)
					.join(" · ")}
			</p>
			{line?.warnings.map((w) => (
				<p
					key={w}
					className="border-l-4 border-warn bg-warn-wash pl-2 text-[0.9375rem]"
				>
					<strong className="text-warn">Bag apart:</strong> {w}
				</p>
			))}
			<Photos view={view} entry={entry.id} what={entry.what} />
			{correcting && (
				<CorrectEntry
					entry={entry}
					version={version}
					strip={strip}
					onDone={() => setCorrecting(false)}
				/>
			)}
			{judging && (
				<SealAgain
					view={view}
					entry={entry}
					version={version}
					strip={strip}
					onDone={() => setJudging(false)}
				/>
			)}
			{!view.job.signed && !correcting && !judging && (
				<p className="flex flex-wrap gap-x-4 text-[0.9375rem]">
					<button
						type="button"
						className={`${act} ${nameless ? "font-semibold" : ""}`}
						onClick={() => setCorrecting(true)}
					>
						{nameless ? "say what it is" : "correct"}
					</button>
					{entry.kind === "seal" && (
						<button
							type="button"
							className={act}
							onClick={() => setJudging(true)}
						>
							may it go in again?
						</button>
					)}
					{entry.count > 1 && (
						<button
							type="button"
							className={act}
							onClick={() =>
								strip.change.mutate({
									entry: {
										...entry,
										missing: Math.min(entry.count, (entry.missing ?? 0) + 1),
									},
									version,
								})
							}
						>
							one is lost{(entry.missing ?? 0) > 0 && ` (${entry.missing})`}
						</button>
					)}
					{record !== view.job.strip[0] && (
						<button
							type="button"
							className={act}
							onClick={() =>
								strip.move.mutate({
									entry: entry.id,
									to: view.job.strip.indexOf(record),
									version,
								})
							}
						>
							came off sooner
						</button>
					)}
					<button
						type="button"
						className={act}
						onClick={() => strip.drop.mutate({ entry: entry.id, version })}
					>
						noted by mistake
					</button>
				</p>
			)}
		</li>
	);
}

function Needs({ view }: { view: View }) {
	if (view.strip.needs.length === 0) return null;
	return (
		<div className="my-3">
			<h3 className="font-semibold">To buy</h3>
			<ul>
				{view.strip.needs.map((n) => (
					<li key={n.what + n.why}>
						<strong className="font-figure">{n.count}</strong> × {n.what}{" "}
						<span className="text-ink-2">({n.why})</span>
					</li>
				))}
			</ul>
		</div>
	);
}

/** An empty log: start from an earlier job of the same kind, or from nothing. */
function Start({ view, strip }: { view: View; strip: StripTools }) {
	const earlier = useEarlierStrips(view, !view.job.signed);
	return (
		<div className="pb-2">
			<p className="text-ink-2">
				Nothing noted yet. Note each thing as it comes off: it goes back in the
				opposite order, and the odd screw is what people get wrong.
			</p>
			{(earlier.data?.length ?? 0) > 0 && (
				<div className="mt-2 flex flex-col items-start gap-2">
					<p>Start from an earlier one:</p>
					{earlier.data?.map((r) => (
						<Button key={r.id} onClick={() => strip.copy.mutate(r.id)}>
							{r.object}
						</Button>
					))}
				</div>
			)}
			<Refusal error={strip.copy.error} />
		</div>
	);
}
