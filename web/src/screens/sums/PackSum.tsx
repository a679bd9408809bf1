import { useDeferredValue } from "react";
import { useCatalogue } from "../../api/book";
import { usePackSum } from "../../api/sums";
import type { PackIn } from "../../api/types";
import { useDraft } from "../../app/draft";
import { PackDrawing } from "../../bench/PackDrawing";
import { PackOrders } from "../../bench/PackOrders";
import { Button } from "../../parts/Button";
import { FigureLine } from "../../parts/FigureLine";
import { NumberField } from "../../parts/NumberField";
import { PackFields } from "../../parts/PackFields";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";

const empty: PackIn = {
	cavity: 250,
	room: 22,
	inside: 20,
	outside: 10,
	slope: "upright",
	gas: "air",
	panes: [
		{ material: "toughened-coated", thickness: 4, coat: "cold" },
		{ material: "toughened", thickness: 4, coat: "none" },
		{ material: "toughened", thickness: 4, coat: "none" },
	],
	gaps: [16, 20],
};

/** A pack of panes before a hot cavity: every face, the touch, every order. */
export function PackSum() {
	const [form, set, clear] = useDraft<PackIn>("pack", empty);
	const catalogue = useCatalogue();
	const asked = useDeferredValue(form);
	const q = usePackSum(asked);
	const error = q.error ?? null;
	const at = (f: string) => error?.field(f);
	const panes = form.panes ?? [];
	const gaps = form.gaps ?? [];
	return (
		<section aria-label="A pack of panes">
			<h2 className="text-2xl font-semibold">A pack of panes</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				How warm each pane gets between a hot cavity and the room, and what
				another order or a coat turned round would do. From the hot side
				outwards.
			</p>
			<div className="grid gap-x-10 gap-y-6 xl:grid-cols-[1fr_520px]">
				<div>
					{q.data && !error && (
						<>
							<PackDrawing
								panes={panes}
								gaps={gaps}
								cavity={form.cavity}
								room={form.room}
								result={q.data.result}
							/>
							<p
								className="mt-3 border-l-4 border-now pl-3"
								data-touch={q.data.result.touch}
							>
								<strong>{Math.round(q.data.result.touch)} °C outside.</strong>{" "}
								{q.data.says}
							</p>
							<PackOrders orders={q.data.orders} />
						</>
					)}
					<Refusal error={error} />
				</div>
				<div className="flex flex-col gap-4">
					<div className="grid grid-cols-2 gap-3">
						<NumberField
							label="hot side, °C"
							value={form.cavity}
							onChange={(cavity) => set({ ...form, cavity })}
							error={at("cavity")}
						/>
						<NumberField
							label="room, °C"
							value={form.room}
							onChange={(room) => set({ ...form, room })}
							error={at("room")}
						/>
						<NumberField
							label="hot side gives, W/m²K"
							hint="20 in an oven, as a rule"
							value={form.inside}
							onChange={(inside) => set({ ...form, inside })}
							error={at("inside")}
						/>
						<NumberField
							label="room takes, W/m²K"
							hint="10 in still air"
							value={form.outside}
							onChange={(outside) => set({ ...form, outside })}
							error={at("outside")}
						/>
					</div>
					<Pick
						label="The pack stands"
						value={form.slope}
						onChange={(slope) => set({ ...form, slope })}
						options={[
							{ value: "upright", label: "upright" },
							{ value: "leaning", label: "leaning" },
							{ value: "lying", label: "lying, heat below" },
						]}
					/>
					<Pick
						label="In the gaps"
						value={form.gas || "air"}
						onChange={(gas) => set({ ...form, gas })}
						options={[
							{ value: "air", label: "air in the gaps" },
							{ value: "argon", label: "argon, as in a sealed unit" },
						]}
					/>
					<PackFields
						panes={panes}
						gaps={gaps}
						materials={catalogue.data?.materials ?? []}
						onChange={(panes, gaps) => set({ ...form, panes, gaps })}
						error={at}
					/>
					<div className="flex gap-3">
						<Button kind="quiet" onClick={clear}>
							Start afresh
						</Button>
					</div>
					{q.data && !error && (
						<div>
							{q.data.figures.map((f) => (
								<FigureLine key={f.key} figure={f} />
							))}
						</div>
					)}
				</div>
			</div>
		</section>
	);
}
