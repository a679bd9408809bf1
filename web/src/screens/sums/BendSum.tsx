import { useDeferredValue } from "react";
import type { Refused } from "../../api/refused";
import { useBendSum } from "../../api/sums";
import { useDraft } from "../../app/draft";
import { TextField } from "../../parts/Field";
import { FigureLine } from "../../parts/FigureLine";
import { LengthField } from "../../parts/LengthField";
import { Refusal } from "../../parts/Refusal";

const empty = { chord: "1000", rise: "50", thickness: 4 };

/** A bent pane by chord and rise, and which sheets may be pressed into it. */
export function BendSum() {
	const [form, set] = useDraft("bend", empty);
	const asked = useDeferredValue(form);
	const q = useBendSum(asked);
	const refused = q.error as Refused | null;
	const at = (f: string) => refused?.field(f);
	const loose =
		refused && !["chord", "rise", "thickness"].some(at) ? refused : null;
	return (
		<section aria-label="A bent pane">
			<h2 className="text-2xl font-semibold">A bent pane</h2>
			<p className="mb-3 text-ink-2">
				Lay a straight edge across the curve: its length between the edges, and
				from it to the glass in the middle.
			</p>
			<div className="grid grid-cols-3 gap-3">
				<TextField
					label="chord"
					value={form.chord}
					onChange={(chord) => set({ ...form, chord })}
					error={at("chord")}
				/>
				<TextField
					label="rise"
					value={form.rise}
					onChange={(rise) => set({ ...form, rise })}
					error={at("rise")}
				/>
				<LengthField
					label="sheet"
					value={form.thickness}
					onChange={(thickness) => set({ ...form, thickness })}
					error={at("thickness")}
				/>
			</div>
			<Refusal error={loose} />
			{q.data && !refused && (
				<div className="mt-2" data-bend>
					{q.data.figures.map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
				</div>
			)}
		</section>
	);
}
