import { useDeferredValue } from "react";
import { useWitnessSum } from "../../api/sums";
import { useDraft } from "../../app/draft";
import { JoinedSize } from "../../parts/JoinedSize";
import { LengthField } from "../../parts/LengthField";
import { Refusal } from "../../parts/Refusal";
import { blankWitness, WitnessRows, witnessed } from "../../parts/WitnessRows";

const empty = {
	clearance: 2,
	radius: 0,
	rows: [blankWitness("opening"), blankWitness("old")],
};

/** What size several readings of a pane stand for, and which of them lies. */
export function WitnessSum() {
	const [form, set] = useDraft("witness", empty);
	const asked = useDeferredValue(form);
	const said = asked.rows.some(witnessed);
	const q = useWitnessSum(
		{
			clearance: asked.clearance,
			radius: asked.radius,
			heard: asked.rows.map((r) => ({ ...r, kind: r.kind as "opening" })),
		},
		said,
	);
	const error = (f: string) => q.error?.field(f);
	return (
		<section aria-label="Who says the size">
			<h2 className="text-2xl font-semibold">Who says the size?</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				The opening, the old pane, a neighbour, a sheet, the customer: each
				speaks for the pane with its own doubt, and each has its usual lie. What
				two agree on beats one that is precise.
			</p>
			<WitnessRows
				rows={form.rows}
				onRows={(rows) => set({ ...form, rows })}
				error={error}
			/>
			<div className="mt-3 flex flex-wrap items-end gap-4">
				{form.rows.some((r) => r.kind === "groove") && (
					<div className="w-56">
						<LengthField
							label="radius of its corners"
							value={form.radius}
							onChange={(radius) => set({ ...form, radius })}
							error={error("radius")}
						/>
					</div>
				)}
				<div className="w-56">
					<LengthField
						label="clearance each side"
						value={form.clearance}
						onChange={(clearance) => set({ ...form, clearance })}
						error={error("clearance")}
					/>
				</div>
			</div>
			<Refusal
				error={q.error && !q.error.problem.errors?.length ? q.error : null}
			/>
			{said && q.data && !q.error && (
				<div className="mt-4 grid max-w-[64em] gap-6 sm:grid-cols-2">
					{(["width", "height"] as const).map((w) => {
						const j = q.data?.[w];
						if (!j) return null;
						return <JoinedSize key={w} joined={j} way={w} />;
					})}
				</div>
			)}
		</section>
	);
}
