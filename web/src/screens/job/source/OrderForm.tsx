import { useState } from "react";
import { useOrderIt } from "../../../api/orders";
import type { Orders, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
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
	const [who, setWho] = useState("");
	const [kind, setKind] = useState<"cutter" | "parts" | "maker" | "post">(
		"parts",
	);
	const [days, setDays] = useState("3");
	const [off, setOff] = useState<string[]>([]);
	const [more, setMore] = useState("");
	const write = useOrderIt(view);
	const lines = all.lacks.filter((l) => !off.includes(l.key));
	if (more.trim() !== "") {
		lines.push({
			key: `own-${more.trim().slice(0, 40)}`,
			text: more,
			milli: 1000,
			unit: "pc",
			each: 0,
		});
	}
	const badDays = !/^\d{1,3}$/.test(days.trim());
	return (
		<form
			aria-label="An order"
			className="mt-3 flex flex-col gap-3 border-l-4 border-now pl-3"
			onSubmit={(e) => {
				e.preventDefault();
				if (!badDays)
					write.mutate(
						{ kind, who, lines, days: Number(days) },
						{ onSuccess: onDone },
					);
			}}
		>
			{all.lacks.map((l) => (
				<Tick
					key={l.key}
					checked={!off.includes(l.key)}
					onChange={(v) => {
						setOff(v ? off.filter((k) => k !== l.key) : [...off, l.key]);
					}}
				>
					{l.milli / 1000} {l.unit === "m" ? "m" : "×"} {l.text}
				</Tick>
			))}
			<TextField
				label="And"
				placeholder="adhesive, one tube"
				value={more}
				onChange={(v) => {
					setMore(v);
				}}
				maxLength={300}
			/>
			<TextField
				label="From"
				value={who}
				onChange={(v) => {
					setWho(v);
				}}
				error={write.error?.field("who")}
				maxLength={80}
			/>
			<Pick
				label="Source"
				value={kind}
				onChange={(k) => {
					setKind(k);
				}}
				options={[
					{ value: "cutter", label: "cutter" },
					{ value: "parts", label: "parts house" },
					{ value: "maker", label: "maker" },
					{ value: "post", label: "by post" },
				]}
			/>
			<TextField
				label="Days"
				inputMode="numeric"
				value={days}
				onChange={(v) => {
					setDays(v);
				}}
				error={
					badDays
						? { field: "days", why: "a whole number is expected" }
						: undefined
				}
			/>
			<Refusal error={write.error?.field("who") ? null : write.error} />
			<div className="flex gap-2">
				<Button
					type="submit"
					disabled={lines.length === 0 || badDays || write.isPending}
				>
					Write the order
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</div>
		</form>
	);
}
