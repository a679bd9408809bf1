import type { FieldError, StripEntry, View } from "../../../api/types";
import { ObjectSketch } from "../../../bench/ObjectSketch";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";
import { TextField } from "../../../parts/Field";
import { NumberField } from "../../../parts/NumberField";
import { type Option, Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { Speak } from "../../../parts/Speak";
import { Tick } from "../../../parts/Tick";
import { dotsOf } from "./dots";
import { ScrewGauge } from "./ScrewGauge";
import { fates, kinds } from "./stripWords";
import type { StripDraft, StripTools } from "./useStrip";

function options<T extends string>(values: readonly T[]): Option<T>[] {
	return values.map((v) => ({ value: v, label: v }));
}

const driven: StripEntry["held"]["how"][] = [
	"screw",
	"bolt",
	"nut",
	"rivet",
	"brad",
	"clip",
];
const held: StripEntry["held"]["how"][] = [
	"screw",
	"clip",
	"tab",
	"lip",
	"friction",
	"gravity",
	"adhesive",
	"rivet",
];
const drives = [
	"PH1",
	"PH2",
	"PZ2",
	"slot",
	"T15",
	"T20",
	"T25",
	"hex 4",
	"hex 5",
	"7 mm",
	"8 mm",
	"10 mm",
	"square 2",
	"hex 3/16 in",
	"5/16 in head",
	"T20 with pin",
	"clutch",
];
const sizes = [
	"M3",
	"M4",
	"M5",
	"M6",
	"3.5",
	"4.2",
	"4.8",
	"No. 6",
	"No. 8",
	"No. 10",
	"1/4-20",
];
const threads: Option<"machine" | "self-tapping" | "wood">[] = [
	{ value: "machine", label: "machine" },
	{ value: "self-tapping", label: "self-tapping" },
	{ value: "wood", label: "wood" },
];
/** What came off, noted in seconds: tap the kind, the drive, the count, the place. */
export function StripForm({ view, strip }: { view: View; strip: StripTools }) {
	const { draft, set, add } = strip;
	const fasteners = draft.kind === "fasteners";
	const at = (f: string) => add.error?.field(f);
	const screws = ["screw", "bolt", "nut"].includes(draft.how);
	const fields = ["what", "captures", "under", "length_said", "to_glass_said"];
	return (
		<form
			className="flex flex-col gap-4"
			onSubmit={(e) => {
				e.preventDefault();
				add.mutate(draft);
			}}
		>
			<p role="status" className="text-ink-2">
				{view.job.strip.length} noted so far
				{view.job.strip.length > 0 &&
					`, the last: ${view.job.strip.at(-1)?.entry.what}`}
			</p>
			{view.job.strip.length > 0 && (
				<Button onClick={() => set(likeLast(view))}>Same as the last</Button>
			)}
			<Pick
				label="Kind"
				value={draft.kind}
				options={options(kinds)}
				onChange={(kind) =>
					set({ kind, how: kind === "fasteners" ? "screw" : "clip" })
				}
			/>
			<TextField
				label="Called"
				placeholder={fasteners ? "shell screw" : "side trim"}
				value={draft.what}
				onChange={(what) => set({ what })}
				error={at("what")}
				maxLength={120}
			/>
			<Speak into="what it is" onSaid={(what) => set({ what })} />
			<Counter draft={draft} set={set} />
			<Choice title="Held by">
				<Pick
					label="Held by"
					value={draft.how}
					options={options(fasteners ? driven : held)}
					onChange={(how) => set({ how })}
				/>
			</Choice>
			{screws && (
				<ScrewFields draft={draft} set={set} unit={view.unit} at={at} />
			)}
			{draft.how === "tab" && (
				<NumberField
					label="How often it has been bent, this time included"
					value={draft.bends}
					onChange={(bends) => set({ bends })}
				/>
			)}
			<Choice title="Where? Tap it.">
				<ObjectSketch
					dots={dotsOf(view)}
					spot={draft.spot ?? undefined}
					onPlace={(spot) => set({ spot })}
				/>
				<TextField
					label="In words"
					placeholder="middle of the top"
					value={draft.where}
					onChange={(where) => set({ where })}
					maxLength={120}
				/>
			</Choice>
			<OthersOf
				title="It was under"
				view={view}
				chosen={draft.under}
				onChange={(under) => set({ under })}
			/>
			<OthersOf
				title="It holds down or hides"
				view={view}
				chosen={draft.captures}
				onChange={(captures) => set({ captures })}
			/>
			<TextField
				label="Which way it faces"
				placeholder="coat in, print reads from the room, gap at the top"
				value={draft.facing}
				onChange={(facing) => set({ facing })}
				maxLength={200}
			/>
			<Choice title="What becomes of it">
				<Pick
					label="What becomes of it"
					value={draft.fate}
					options={fates}
					onChange={(fate) => set({ fate })}
				/>
			</Choice>
			<Tick checked={draft.loosen} onChange={(loosen) => set({ loosen })}>
				Only loosened and slid aside
			</Tick>
			<Tick checked={draft.seized} onChange={(seized) => set({ seized })}>
				It was seized
			</Tick>
			{(at("captures") || at("under")) && <Refusal error={add.error} />}
			{add.error && !fields.some(at) && <Refusal error={add.error} />}
			<Button
				kind="now"
				type="submit"
				disabled={draft.what.trim() === "" || add.isPending}
			>
				Note it
			</Button>
		</form>
	);
}

/** How the last one was held, for the next one that is like it. */
function likeLast(view: View): Partial<StripDraft> {
	const last = view.job.strip.at(-1)?.entry;
	if (!last) return {};
	return {
		kind: last.kind,
		what: last.what,
		how: last.held.how,
		drive: last.held.drive ?? "",
		size: last.held.size ?? "",
		thread: last.held.thread ?? "",
		length: last.held.length ? `${last.held.length} mm` : "",
		washers: last.held.washers ?? false,
		fate: last.fate,
	};
}

type Part = { draft: StripDraft; set: StripTools["set"] };

function Counter({ draft, set }: Part) {
	return (
		<div className="flex items-stretch gap-2">
			<button
				type="button"
				onClick={() => set({ count: Math.min(200, draft.count + 1) })}
				className="min-h-16 flex-1 border-2 border-ink bg-lit text-left"
			>
				<span className="font-figure px-4 text-3xl font-semibold">
					{draft.count}
				</span>
				<span className="text-ink-2">tap for each one</span>
			</button>
			<Button
				aria-label="one less"
				onClick={() => set({ count: Math.max(1, draft.count - 1) })}
			>
				−
			</Button>
		</div>
	);
}

function ScrewFields({
	draft,
	set,
	unit,
	at,
}: Part & { unit: string; at: (field: string) => FieldError | undefined }) {
	return (
		<>
			<Choice title="Drive">
				<Pick
					label="Drive"
					value={draft.drive}
					options={options(drives)}
					onChange={(drive) => set({ drive })}
				/>
				<TextField
					label="Or in words"
					value={draft.drive}
					onChange={(drive) => set({ drive })}
					maxLength={20}
				/>
			</Choice>
			<Choice title="Size">
				<Pick
					label="Size"
					value={draft.size}
					options={options(sizes)}
					onChange={(size) => set({ size })}
				/>
				<ScrewGauge onSize={(size) => set({ size })} />
			</Choice>
			<Choice title="Thread">
				<Pick
					label="Thread"
					value={draft.thread}
					options={threads}
					onChange={(thread) => set({ thread })}
				/>
			</Choice>
			<div className="grid grid-cols-2 gap-3">
				<TextField
					label={`Length, ${unit}`}
					value={draft.length}
					onChange={(length) => set({ length })}
					error={at("length_said")}
					maxLength={60}
				/>
				<TextField
					label={`Depth to the glass, ${unit}`}
					value={draft.toGlass}
					onChange={(toGlass) => set({ toGlass })}
					error={at("to_glass_said")}
					maxLength={60}
				/>
			</div>
			<Tick checked={draft.washers} onChange={(washers) => set({ washers })}>
				Washers with it
			</Tick>
		</>
	);
}

/** Some of what is in the log already. */
function OthersOf({
	title,
	view,
	chosen,
	onChange,
}: {
	title: string;
	view: View;
	chosen: string[];
	onChange: (ids: string[]) => void;
}) {
	if (view.job.strip.length === 0) return null;
	return (
		<Choice title={title}>
			<fieldset aria-label={title} className="grid gap-x-4 sm:grid-cols-2">
				{view.job.strip.map((r) => (
					<Tick
						key={r.entry.id}
						checked={chosen.includes(r.entry.id)}
						onChange={(v) =>
							onChange(
								v
									? [...chosen, r.entry.id]
									: chosen.filter((c) => c !== r.entry.id),
							)
						}
					>
						{r.position}. {r.entry.what}
					</Tick>
				))}
			</fieldset>
		</Choice>
	);
}
