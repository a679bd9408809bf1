import { useDeferredValue } from "react";
import { useCatalogue } from "../../api/book";
import { useTurnsSum } from "../../api/sums";
import { useDraft } from "../../app/draft";
import { FigureLine } from "../../parts/FigureLine";
import { LengthField } from "../../parts/LengthField";
import { NumberField } from "../../parts/NumberField";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";

const empty = {
	free: 3,
	screw: "M5",
	percent: 0,
	torque: 0,
	pitch: 0,
	perInch: 0,
};

/** A thread that is not in the list. */
const other = "";

/** How far a screw turns from its first touch until the gasket is seated. */
export function TurnsSum() {
	const catalogue = useCatalogue();
	const [form, set] = useDraft("turns", empty);
	const asked = useDeferredValue(form);
	const q = useTurnsSum({
		free: asked.free,
		screw: asked.screw,
		pitch: asked.screw === other ? (asked.pitch ?? 0) : 0,
		per_inch: asked.screw === other ? (asked.perInch ?? 0) : 0,
		seated: asked.percent / 100,
		torque: asked.torque,
	});
	const error = q.error ?? null;
	const shown = ["free", "seated", "torque", "pitch", "per_inch"].some((f) =>
		error?.field(f),
	);
	return (
		<section aria-label="How far to turn">
			<h2 className="text-2xl font-semibold">How far after the first touch?</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				Turn each screw until its bracket or washer first touches, then all of
				them the same. The one that is tighter than the others breaks the pane.
			</p>
			<h3 className="mb-1.5 font-semibold">The thread</h3>
			<Pick
				label="The thread"
				value={form.screw}
				onChange={(screw) => set({ ...form, screw })}
				options={[
					...(catalogue.data?.screws ?? []).map((s) => ({
						value: s.name,
						label: s.name,
					})),
					{ value: other, label: "another" },
				]}
			/>
			{form.screw === other && (
				<div className="mt-4 grid max-w-[32em] gap-3 sm:grid-cols-2">
					<LengthField
						label="One turn goes"
						hint="over ten threads, divided by ten"
						value={form.pitch ?? 0}
						onChange={(pitch) => set({ ...form, pitch, perInch: 0 })}
						error={error?.field("pitch")}
					/>
					<NumberField
						label="or threads to the inch"
						value={form.perInch ?? 0}
						onChange={(perInch) => set({ ...form, perInch, pitch: 0 })}
						error={error?.field("per_inch")}
					/>
				</div>
			)}
			<div className="mt-4 grid max-w-[48em] gap-3 sm:grid-cols-3">
				<LengthField
					label="Gasket, free thickness"
					hint="unpressed; 0 where metal meets glass"
					value={form.free}
					onChange={(free) => set({ ...form, free })}
					error={error?.field("free")}
				/>
				<NumberField
					label="Seated to, % of it"
					hint="0 takes the usual 60 to 75"
					value={form.percent}
					onChange={(percent) => set({ ...form, percent })}
					error={error?.field("seated")}
				/>
				<NumberField
					label="Torque at the end, N·m"
					hint="0 when nobody asks"
					value={form.torque}
					onChange={(torque) => set({ ...form, torque })}
					error={error?.field("torque")}
				/>
			</div>
			<Refusal error={shown ? null : error} />
			{q.data && !error && (
				<div className="mt-3 max-w-[48em]" data-turns>
					{q.data.map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
				</div>
			)}
		</section>
	);
}
