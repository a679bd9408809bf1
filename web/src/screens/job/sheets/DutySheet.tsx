import { useEffect, useState } from "react";
import { useHeldWrite } from "../../../api/panes";
import type { Duty, View } from "../../../api/types";
import { NumberField } from "../../../parts/NumberField";
import { Sheet } from "../../../parts/Sheet";
import { Tick } from "../../../parts/Tick";
import { heldOf } from "./held";
import { Keep } from "./Keep";

type Props = { view: View; open: boolean; onClose: () => void };

const loads = [
	{
		key: "push",
		label: "A push at the worst place, N",
		hint: "a hand leaning hard is 500 to 1000",
	},
	{
		key: "water",
		label: "Water against it, m",
		hint: "from its lower edge up to the water",
	},
	{
		key: "even",
		label: "Even load for good, kPa",
		hint: "1 is about 100 kg on a square metre",
	},
	{
		key: "gust",
		label: "Gust, m/s",
		hint: "0 takes the usual 30 outdoors",
	},
	{
		key: "pressure",
		label: "Plant that it closes, bar",
		hint: "off the plate of the boiler or tank",
	},
] as const;

/** What the pane has to carry and to be used for. */
export function DutySheet({ view, open, onClose }: Props) {
	const [duty, setDuty] = useState<Duty>(view.pane.duty);
	// biome-ignore lint/correctness/useExhaustiveDependencies: only on opening
	useEffect(() => {
		if (open) setDuty(view.pane.duty);
	}, [open]);
	const write = useHeldWrite(view);
	const ticks = [
		{ key: "lying", says: "It lies and carries its own weight" },
		{ key: "food", says: "It stands over open food" },
		{ key: "windscreen", says: "Whoever drives looks through it" },
	] as const;
	return (
		<Sheet title="What it has to carry" open={open} onClose={onClose}>
			<div className="flex flex-col gap-5">
				<p className="text-ink-2">
					Beside heat and a warped seat, which are read elsewhere. 0 leaves a
					load out.
				</p>
				<div className="grid grid-cols-2 gap-x-4 gap-y-4">
					{loads.map((l) => (
						<NumberField
							key={`${l.key} ${open}`}
							label={l.label}
							hint={l.hint}
							value={duty[l.key] ?? 0}
							onChange={(v) => setDuty({ ...duty, [l.key]: v })}
							error={write.error?.field(`duty.${l.key}`)}
						/>
					))}
				</div>
				<div>
					{ticks.map((t) => (
						<Tick
							key={t.key}
							checked={duty[t.key] ?? false}
							onChange={(v) => setDuty({ ...duty, [t.key]: v })}
						>
							{t.says}
						</Tick>
					))}
				</div>
				<p className="text-ink-2">
					These are elastic plate numbers, no approval: the rules for the
					vehicle, the vessel, the plant and the building come first.
				</p>
				<Keep
					write={write}
					onKeep={() =>
						write.mutate({ ...heldOf(view), duty }, { onSuccess: onClose })
					}
				/>
			</div>
		</Sheet>
	);
}
