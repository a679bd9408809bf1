import { useState } from "react";
import { useSpot } from "../../../api/panes";
import type { PaneSpot, View } from "../../../api/types";
import { ObjectMap } from "../../../bench/ObjectMap";
import { Button } from "../../../parts/Button";
import { NumberField } from "../../../parts/NumberField";
import { Refusal } from "../../../parts/Refusal";

const sides = [
	{ key: "x", label: "from the left, %" },
	{ key: "y", label: "from the top, %" },
	{ key: "w", label: "wide, %" },
	{ key: "h", label: "high, %" },
] as const;

const tidy = (v: number) => Math.round(v * 1000) / 1000;

/** Puts the pane on the table elsewhere on its object: two taps, or figures. */
export function PlacePane({
	view,
	onDone,
}: {
	view: View;
	onDone: () => void;
}) {
	const [spot, setSpot] = useState<PaneSpot>(view.pane.spot);
	const [first, setFirst] = useState<{ x: number; y: number } | null>(null);
	const [taps, setTaps] = useState(0);
	const write = useSpot(view);
	const name = view.pane.name || `pane ${view.pane.number}`;
	function tap(x: number, y: number) {
		setTaps(taps + 1);
		if (!first) {
			setFirst({ x, y });
			setSpot({ ...spot, x: tidy(x), y: tidy(y), w: 0, h: 0 });
			return;
		}
		setFirst(null);
		setSpot({
			...spot,
			x: tidy(Math.min(first.x, x)),
			y: tidy(Math.min(first.y, y)),
			w: tidy(Math.abs(first.x - x)),
			h: tidy(Math.abs(first.y - y)),
		});
	}
	return (
		<section aria-label="Put it elsewhere" className="flex flex-col gap-3">
			<p className="text-lg">
				{first
					? "Now tap the corner across."
					: `Tap one corner of ${name} on the object.`}
			</p>
			<div className="lit p-3">
				<ObjectMap drawing={view.object} width={440} onTap={tap} mark={spot} />
			</div>
			<div className="grid grid-cols-2 gap-3">
				{sides.map((s) => (
					<NumberField
						key={`${s.key} ${taps}`}
						label={s.label}
						value={tidy(spot[s.key] * 100)}
						onChange={(v) => setSpot({ ...spot, [s.key]: v / 100 })}
						error={write.error?.field(s.key)}
					/>
				))}
			</div>
			{!sides.some((s) => write.error?.field(s.key)) && (
				<Refusal error={write.error} />
			)}
			<div className="flex gap-4">
				<Button
					kind="now"
					disabled={write.isPending || first !== null}
					onClick={() => write.mutate(spot, { onSuccess: onDone })}
				>
					Put it there
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</div>
		</section>
	);
}
