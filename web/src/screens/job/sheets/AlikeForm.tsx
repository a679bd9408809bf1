import { useState } from "react";
import { useAlike } from "../../../api/panes";
import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";
import { Tick } from "../../../parts/Tick";

/** Sizes are each pane's own; the rest of a frame is often the same all over. */
const ownSize =
	/^(width|height|rising|falling|shape|across|chord|rise|old_width|old_height)/;

/** Gives the panes that are held and done alike what this one has and they lack. */
export function AlikeForm({ view }: { view: View }) {
	const { pane, panes, reckoning } = view;
	const others = panes.filter(
		(p) => p.id !== pane.id && p.family === reckoning.family.name,
	).length;
	const shared = pane.readings.filter((r) => !ownSize.test(r.place));
	const names = shared.map(
		(r) => reckoning.walk.find((w) => w.place === r.place)?.name ?? r.place,
	);
	const [readings, setReadings] = useState(true);
	const [choice, setChoice] = useState(true);
	const [fixing, setFixing] = useState(true);
	const said = reckoning.road.id !== "size" || reckoning.road.how !== "";
	const [road, setRoad] = useState(false);
	const write = useAlike(view);
	if (others === 0 || view.job.signed) return null;
	return (
		<section aria-label="The others as this one" className="mt-5">
			<h3 className="font-semibold">
				{others} others are held like {pane.name || `pane ${pane.number}`}
			</h3>
			<p className="text-[0.9375rem] text-ink-2">
				Give them what it has and they lack; nothing that was said of them is
				changed.
			</p>
			{said && (
				<Tick checked={road} onChange={setRoad}>
					what is to be done: {reckoning.road.name.toLowerCase()}, where nobody
					said otherwise
				</Tick>
			)}
			{shared.length > 0 && (
				<Tick checked={readings} onChange={setReadings}>
					{names.join(", ")}
				</Tick>
			)}
			{pane.choice && (
				<Tick checked={choice} onChange={setChoice}>
					{pane.choice.thickness} mm {reckoning.material.short}
				</Tick>
			)}
			<Tick checked={fixing} onChange={setFixing}>
				frame, gasket, fixings, who cuts it
			</Tick>
			<Refusal error={write.error} />
			<Button
				className="mt-2"
				disabled={write.isPending}
				onClick={() =>
					write.mutate({
						road: road && said,
						places: readings ? shared.map((r) => r.place) : [],
						choice: choice && pane.choice !== undefined,
						fixing,
					})
				}
			>
				Make them alike
			</Button>
			{write.isSuccess && (
				<p role="status" className="mt-2 text-now">
					Done.
				</p>
			)}
		</section>
	);
}
