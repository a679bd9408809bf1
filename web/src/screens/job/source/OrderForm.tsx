import { useState } from "react";
import { useOrderIt } from "../../../api/orders";
import { useSuppliers } from "../../../api/shop";
import type { Orders, View } from "../../../api/types";
import { Form, useFilled } from "../../../form/Form";
import { PickOf, TextOf, WholeOf } from "../../../form/fields";
import { Button } from "../../../parts/Button";
import { Tick } from "../../../parts/Tick";

/** An order for whatever of it is ticked; something more can be typed. */
export function OrderForm({
	view,
	all,
	onDone,
}: {
	view: View;
	all: Orders;
	onDone: () => void;
}) {
	const filled = useFilled(
		{
			more: "",
			who: "",
			kind: "parts" as "cutter" | "parts" | "maker" | "post",
			days: "3",
		},
		`order ${view.job.id}`,
	);
	// What is wanted only where the old one is not good any more is ordered by a tick.
	const [off, setOff] = useState<string[]>(all.spare);
	const write = useOrderIt(view);
	const known = useSuppliers().data ?? [];
	const lines = all.lacks.filter((l) => !off.includes(l.key));
	const more = filled.watch("more").trim();
	if (more !== "") {
		lines.push({
			key: `own-${more.slice(0, 40)}`,
			text: more,
			milli: 1000,
			unit: "pc",
			each: 0,
		});
	}
	return (
		<Form
			label="An order"
			className="mt-3 flex flex-col gap-3 border-l-4 border-now pl-3"
			filled={filled}
			write={write}
			body={({ who, kind, days }) => ({
				who,
				kind,
				lines,
				days: Number(days),
			})}
			onDone={onDone}
		>
			{all.lacks.map((l) => (
				<Tick
					key={l.key}
					checked={!off.includes(l.key)}
					onChange={(v) =>
						setOff(v ? off.filter((k) => k !== l.key) : [...off, l.key])
					}
				>
					{l.milli / 1000} {l.unit === "m" ? "m" : "×"} {l.text}
					{all.spare.includes(l.key) && ", if the old one is not good any more"}
				</Tick>
			))}
			<TextOf
				label="And"
				placeholder="adhesive, one tube"
				name="more"
				maxLength={300}
			/>
			<TextOf label="From" name="who" maxLength={80} />
			{known.length > 0 && (
				<p className="flex flex-wrap gap-2" data-known={known.length}>
					{known.map((v) => (
						<Button
							key={v.id}
							kind="quiet"
							onClick={() => {
								filled.setValue("who", v.name);
								if (v.kind !== "salvage") filled.setValue("kind", v.kind);
								filled.setValue("days", String(v.days));
							}}
						>
							{v.name}
						</Button>
					))}
				</p>
			)}
			<PickOf
				label="Source"
				name="kind"
				options={[
					{ value: "cutter", label: "cutter" },
					{ value: "parts", label: "parts house" },
					{ value: "maker", label: "maker" },
					{ value: "post", label: "by post" },
				]}
			/>
			<WholeOf label="Days" name="days" />
			<div className="flex gap-2">
				<Button type="submit" disabled={lines.length === 0 || write.isPending}>
					Write the order
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</div>
		</Form>
	);
}
