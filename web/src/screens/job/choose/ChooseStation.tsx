import { useState } from "react";
import { useChoose } from "../../../api/panes";
import type { View } from "../../../api/types";
import { later } from "../../../app/later";
import { Refusal } from "../../../parts/Refusal";
import { Stops } from "../Stops";
import { ClosedMaterial } from "./ClosedMaterial";
import { OpenMaterial } from "./OpenMaterial";
import { useWeights } from "./useWeights";
import { WeightSliders } from "./WeightSliders";

const Experience = later(() => import("../Experience"), "Experience");

const Schools = later(() => import("./Schools"), "Schools");

const ThePack = later(() => import("./ThePack"), "ThePack");

/** What stands it, best first, and what is ruled out by which number. */
export function ChooseStation({ view }: { view: View }) {
	const usual = view.reckoning.choice;
	const { choice, weights, moved, set, clear } = useWeights(view);
	const was = (material: string) =>
		usual.open.findIndex((r) => r.material === material) + 1;
	const write = useChoose(view);
	const settled = view.pane.choice;
	const [open, setOpen] = useState<string | null>(
		settled?.material ?? choice.open[0]?.material ?? null,
	);
	if (!view.reckoning.road.settled) {
		return (
			<div className="mt-3">
				<p className="text-lg">
					Nothing is chosen here: {view.reckoning.road.name.toLowerCase()}.
				</p>
				<ThePack view={view} numbers />
			</div>
		);
	}
	return (
		<div className="mt-3">
			<p className="text-lg">{choice.advice}</p>
			{settled && (
				<p className="mt-1 border-l-4 border-now pl-3">
					Chosen: {settled.thickness} mm {settled.material}, by {settled.by}.
				</p>
			)}
			<Stops
				view={view}
				stops={view.stops.filter(
					(s) => s.pane === view.pane.id && s.key.startsWith("gate_"),
				)}
			/>
			<Refusal error={write.error} />
			<ThePack view={view} numbers />
			<WeightSliders
				first={choice.open[0]}
				weights={weights}
				moved={moved}
				onMove={set}
				onClear={clear}
			/>
			<ol className="mt-3">
				{choice.open.map((r, n) => (
					<OpenMaterial
						key={r.material}
						ranked={r}
						rank={n + 1}
						was={was(r.material)}
						view={view}
						open={open === r.material}
						onOpen={() => setOpen(open === r.material ? null : r.material)}
						onSettle={(thickness) =>
							write.mutate({
								material: r.material,
								thickness,
								seen: settled?.id,
							})
						}
					/>
				))}
			</ol>
			<h2 className="mt-4 font-semibold">Ruled out</h2>
			<ul>
				{choice.closed.map((c) => (
					<ClosedMaterial
						key={c.material}
						closed={c}
						view={view}
						onSettle={(thickness, reason) =>
							write.mutate({
								material: c.material,
								thickness,
								reason,
								seen: settled?.id,
							})
						}
					/>
				))}
			</ul>
			<Schools schools={choice.schools} />
			<Experience view={view} kinds={["material", "seal"]} />
		</div>
	);
}
