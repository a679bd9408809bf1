import type { StripRecord, View } from "../../../api/types";

/** Where a number was seen, in words. */
const seen = {
	"": "",
	object: "read off the object",
	plate: "read off its plate",
	list: "found in a parts list",
	old: "read off the old part",
	inside: "read when it is open",
};

/** What comes to a job that reads no size: its tag, what is in its box, and what goes where. */
export function PartTable({
	view,
	narrow = false,
}: {
	view: View;
	/** Something stands beside it: all of it stands in one column. */
	narrow?: boolean;
}) {
	const { reckoning, pane, job } = view;
	const { part } = pane.road;
	const box = part.box ?? [];
	const asked = part.asked ?? [];
	// What is foreign stays off.
	const log = job.strip
		.filter((r) => r.entry.fate !== "off")
		.sort((a, b) => b.position - a.position);
	return (
		<div
			className={`grid h-full content-start gap-x-10 gap-y-6 overflow-y-auto px-4 py-4 sm:px-7 ${narrow ? "" : "md:grid-cols-[minmax(0,26rem)_1fr]"}`}
		>
			<div>
				<div
					className="relative border-2 border-ink bg-lit py-5 pr-5 pl-14"
					data-tag={part.number ?? ""}
				>
					<span
						aria-hidden="true"
						className="absolute top-6 left-5 size-4 rounded-full border-2 border-ink"
					/>
					<p className="text-ink-2">{reckoning.road.name}</p>
					<p className="font-figure text-4xl leading-tight font-semibold break-words">
						{reckoning.road.part
							? part.number || "no number yet"
							: reckoning.road.headline}
					</p>
					{reckoning.road.part && part.seen && (
						<p className="text-ink-2">{seen[part.seen]}</p>
					)}
					<p className="mt-2">{reckoning.family.name}</p>
				</div>
				{box.length > 0 && (
					<>
						<h2 className="mt-4 font-semibold">In its box</h2>
						<ul className="flex flex-wrap gap-2 pt-1">
							{box.map((b) => (
								<li key={b} className="border border-ink bg-lit px-3 py-1">
									{b}
								</li>
							))}
						</ul>
					</>
				)}
				{asked.length > 0 && (
					<ul className="mt-3 text-ink-2">
						{asked.map((a) => (
							<li key={a.where}>
								{a.where}: {a.says}
							</li>
						))}
					</ul>
				)}
			</div>
			<section aria-label="What goes where">
				<h2 className="font-semibold">What goes where, the last off first</h2>
				{log.length === 0 ? (
					<p className="max-w-[26em] text-ink-2">
						Nothing is in the strip log. What comes off is noted at Strip, and
						stands here in the order in which it goes back.
					</p>
				) : (
					<ol className="border-t border-rule">
						{log.map((r) => (
							<LogLine key={r.entry.id} record={r} />
						))}
					</ol>
				)}
			</section>
		</div>
	);
}

function LogLine({ record }: { record: StripRecord }) {
	const { entry, position } = record;
	const back = entry.in >= entry.count;
	return (
		<li className="flex gap-3 border-b border-rule py-1.5">
			<span
				aria-hidden="true"
				className={`grid size-8 shrink-0 place-items-center rounded-full border-2 border-ink font-semibold ${back ? "bg-now text-on-now" : "bg-lit"}`}
			>
				{back ? "✓" : position}
			</span>
			<span className="min-w-0">
				<strong className="font-semibold">
					{entry.count > 1 && `${entry.count} × `}
					{goes(entry)}
				</strong>
				<span className="block text-ink-2">
					{[entry.where, back ? "in" : ""].filter(Boolean).join(", ")}
				</span>
			</span>
		</li>
	);
}

/** What goes there: the thing itself, a new one, or what stands in for it. */
function goes({ fate, what, by }: StripRecord["entry"]): string {
	if (fate === "substitute" && by) return `${by}, in place of ${what}`;
	return fate === "renew" || fate === "lost" ? `a new ${what}` : what;
}
