import { useDeferredValue } from "react";
import { useDewSum } from "../../api/sums";
import { useDraft } from "../../app/draft";
import { FigureLine } from "../../parts/FigureLine";
import { NumberRow } from "../../parts/NumberRow";
import { Refusal } from "../../parts/Refusal";

const empty = { air: 19, damp: 55, surface: 15 };

const fields = [
	{ key: "air", label: "air, °C" },
	{ key: "damp", label: "humidity, %" },
	{ key: "surface", label: "the part, °C" },
] as const;

/** Whether a part is dry enough to bond and paint. */
export function DewSum() {
	const [form, set] = useDraft("dew", empty);
	const asked = useDeferredValue(form);
	const q = useDewSum(asked);
	const error = q.error ?? null;
	const loose = error && !fields.some((f) => error.field(f.key)) ? error : null;
	return (
		<section aria-label="Dry enough to bond?">
			<h2 className="text-2xl font-semibold">Dry enough to bond?</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				A part that is colder than the air lets the air's water settle on it
				before anybody sees it. Read the air, and lay the probe on the glass or
				the flange.
			</p>
			<NumberRow
				fields={fields}
				values={form}
				onChange={(key, v) => set({ ...form, [key]: v })}
				error={(f) => error?.field(f)}
				className="max-w-[40em] grid-cols-3"
			/>
			<Refusal error={loose} />
			{q.data && !error && (
				<div className="mt-2" data-dew>
					{q.data.map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
				</div>
			)}
		</section>
	);
}
