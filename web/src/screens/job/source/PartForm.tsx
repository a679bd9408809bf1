import { useState } from "react";
import { useHeldWrite } from "../../../api/panes";
import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { Tick } from "../../../parts/Tick";
import { heldOf } from "../sheets/held";

type Part = View["pane"]["road"]["part"];
type Box = NonNullable<Part["box"]>;

const seen = [
	{ value: "object", label: "off the object" },
	{ value: "plate", label: "off its plate" },
	{ value: "list", label: "out of a parts list" },
	{ value: "old", label: "off the old part" },
	{ value: "inside", label: "only inside: it is opened first" },
] as const;

const boxed: Box = [
	"seal",
	"pads",
	"mouldings",
	"clips",
	"frame",
	"screws",
	"tape",
	"instructions",
];

/** As many prices as are asked for, as a rule. */
const prices = 3;

/** The part that is bought: its number, what is in its box, where it was asked for. */
export function PartForm({ view }: { view: View }) {
	const now = view.pane.road.part;
	const [part, setPart] = useState<Part>(now);
	const write = useHeldWrite(view);
	const asked = part.asked ?? [];
	const lines = [...asked, { where: "", says: "" }].slice(
		0,
		Math.max(prices, asked.length),
	);
	function price(n: number, change: Partial<(typeof asked)[number]>) {
		const next = lines.map((l, i) => (i === n ? { ...l, ...change } : l));
		setPart({ ...part, asked: next.filter((l) => l.where + l.says !== "") });
	}
	const changed = JSON.stringify(part) !== JSON.stringify(now);
	const error = (f: string) => write.error?.field(f);
	return (
		<section aria-label="The part" className="flex flex-col gap-4">
			<TextField
				label="Its number"
				placeholder="as it stands on the object or in a list"
				value={part.number ?? ""}
				onChange={(number) => setPart({ ...part, number })}
				error={error("road.part.number")}
				maxLength={80}
			/>
			<div>
				<h3 className="mb-1.5 font-semibold">Seen</h3>
				<Pick
					label="Where it was seen"
					value={part.seen ?? ""}
					onChange={(s) => setPart({ ...part, seen: s })}
					options={[...seen]}
				/>
			</div>
			<div>
				<h3 className="font-semibold">In its box</h3>
				<div className="grid grid-cols-2">
					{boxed.map((b) => (
						<Tick
							key={b}
							checked={(part.box ?? []).includes(b)}
							onChange={(yes) =>
								setPart({
									...part,
									box: boxed.filter((x) =>
										x === b ? yes : (part.box ?? []).includes(x),
									),
								})
							}
						>
							{b}
						</Tick>
					))}
				</div>
			</div>
			<div>
				<h3 className="font-semibold">Asked for a price</h3>
				{lines.map((l, n) => (
					// biome-ignore lint/suspicious/noArrayIndexKey: lines have no name but their place
					<div key={n} className="mt-2 grid grid-cols-2 gap-3">
						<TextField
							label={`Where, ${n + 1}`}
							value={l.where}
							onChange={(where) => price(n, { where })}
							error={error(`road.part.asked[${n}].where`)}
							maxLength={80}
						/>
						<TextField
							label="They say"
							placeholder="84.50, two days"
							value={l.says}
							onChange={(says) => price(n, { says })}
							maxLength={120}
						/>
					</div>
				))}
			</div>
			<Refusal error={write.error} />
			{!view.job.signed && (
				<Button
					kind={changed ? "now" : undefined}
					disabled={!changed || write.isPending}
					onClick={() =>
						write.mutate({
							...heldOf(view),
							road: { ...view.pane.road, part },
						})
					}
				>
					{changed ? "Keep the part" : "Kept"}
				</Button>
			)}
		</section>
	);
}
