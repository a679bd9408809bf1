import { useEffect, useState } from "react";
import { useChangeObject } from "../../../api/panes";
import type { Exposure, PaneObject, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { MovesField } from "../../../parts/MovesField";
import { Refusal } from "../../../parts/Refusal";
import { Sheet } from "../../../parts/Sheet";
import { StrikeField } from "../../../parts/StrikeField";
import { Tick } from "../../../parts/Tick";

type Props = { view: View; open: boolean; onClose: () => void };

type Heat =
	| "steady"
	| "short"
	| "frame_hot"
	| "room"
	| "coldest"
	| "sudden"
	| "hours"
	| "cleaning";

const heats: { key: Heat; label: string; hint?: string }[] = [
	{ key: "steady", label: "Hot side in steady use, °C" },
	{ key: "short", label: "Hottest for minutes, °C" },
	{ key: "frame_hot", label: "Frame when the pane is hot, °C" },
	{ key: "room", label: "When it is measured and cut, °C" },
	{ key: "coldest", label: "The coldest it gets, °C" },
	{
		key: "sudden",
		label: "Sudden change, K",
		hint: "water on a hot pane, hail on a warm one",
	},
	{ key: "hours", label: "Hours at full heat that it should last" },
	{
		key: "cleaning",
		label: "Hours at the peak, beside those",
		hint: "high-heat cleaning: hours a year times years; 0 where there is none",
	},
];

function texts(e: Exposure): Record<Heat, string> {
	return Object.fromEntries(
		heats.map((h) => [h.key, String(e[h.key] ?? 0)]),
	) as Record<Heat, string>;
}

/** What the object is and what heat and weather it sees. */
export function SeesSheet({ view, open, onClose }: Props) {
	const [object, setObject] = useState<PaneObject>(view.job.object);
	const [heat, setHeat] = useState(() => texts(view.job.object.exposure));
	// biome-ignore lint/correctness/useExhaustiveDependencies: only on opening
	useEffect(() => {
		if (open) {
			setObject(view.job.object);
			setHeat(texts(view.job.object.exposure));
		}
	}, [open]);
	const write = useChangeObject(view);
	const value = (k: Heat) =>
		Number(heat[k].replace(",", ".").replace("−", "-"));
	const notNumbers = heats.filter(
		(h) => heat[h.key].trim() === "" || Number.isNaN(value(h.key)),
	);
	function keep() {
		const exposure = { ...object.exposure };
		for (const h of heats) exposure[h.key] = value(h.key);
		write.mutate({ ...object, exposure }, { onSuccess: onClose });
	}
	return (
		<Sheet title="What it is and how hot it gets" open={open} onClose={onClose}>
			<div className="flex flex-col gap-5">
				<TextField
					label="The object"
					value={object.name}
					onChange={(name) => setObject({ ...object, name })}
					error={write.error?.field("name")}
				/>
				<TextField
					label="Stamp in the old pane's corner"
					hint="As it reads, and in which corner."
					value={object.stamp}
					onChange={(stamp) => setObject({ ...object, stamp })}
					error={write.error?.field("stamp")}
				/>
				<div className="grid grid-cols-2 gap-x-4 gap-y-4">
					{heats.map((h) => (
						<TextField
							key={h.key}
							label={h.label}
							hint={h.hint}
							inputMode="text"
							value={heat[h.key]}
							onChange={(v) => setHeat({ ...heat, [h.key]: v })}
							error={
								notNumbers.includes(h)
									? {
											field: h.key,
											why: "a number is expected",
											cure: "type it in figures",
										}
									: write.error?.field(h.key)
							}
						/>
					))}
				</div>
				<div>
					<Tick
						checked={object.exposure.outdoors}
						onChange={(outdoors) =>
							setObject({
								...object,
								exposure: { ...object.exposure, outdoors },
							})
						}
					>
						Outdoors
					</Tick>
					<StrikeField
						strike={object.strike}
						onChange={(strike) => setObject({ ...object, strike })}
					/>
					<Tick
						checked={object.leaf ?? false}
						onChange={(leaf) => setObject({ ...object, leaf })}
					>
						Its door or leaf comes off its hinges
					</Tick>
					<Tick
						checked={object.power}
						onChange={(power) => setObject({ ...object, power })}
					>
						Mains power in it
					</Tick>
					<Tick
						checked={object.gas}
						onChange={(gas) => setObject({ ...object, gas })}
					>
						Gas in it
					</Tick>
					<MovesField
						vehicle={object.vehicle}
						moves={object.moves}
						onChange={(v) => setObject({ ...object, ...v })}
					/>
					<Tick
						checked={object.water}
						onChange={(water) => setObject({ ...object, water })}
					>
						It floats
					</Tick>
					<Tick
						checked={object.old}
						onChange={(old) => setObject({ ...object, old })}
					>
						Old: from before the 1980s, perhaps
					</Tick>
				</div>
				<Refusal error={write.error} />
				<Button
					kind="now"
					disabled={write.isPending || notNumbers.length > 0}
					onClick={keep}
				>
					Save
				</Button>
				{write.error?.conflict && (
					<Button
						onClick={() => {
							setObject({ ...object, version: view.job.object.version });
							write.reset();
						}}
					>
						Go on from what stands now
					</Button>
				)}
			</div>
		</Sheet>
	);
}
