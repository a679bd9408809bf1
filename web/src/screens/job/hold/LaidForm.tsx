import { useEffect, useRef, useState } from "react";
import { useLay } from "../../../api/hold";
import type { Hold, View } from "../../../api/types";
import { when } from "../../../app/when";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { LengthField } from "../../../parts/LengthField";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { WhenField } from "../../../parts/WhenField";

export function LaidForm({
	view,
	hold,
	onDone,
}: {
	view: View;
	hold: Hold;
	onDone: () => void;
}) {
	const form = useRef<HTMLFormElement>(null);
	useEffect(() => {
		form.current?.scrollIntoView({ block: "start" });
	}, []);
	const asked = view.asks.find((a) => a.kind === "laid")?.answers?.[0]?.id;
	const used =
		hold.adhesives.find((a) => a.id === asked) ??
		hold.adhesives.find((a) => view.pane.uses.includes(a.touch));
	const [f, setF] = useState({
		step: hold.may[0]?.step ?? "",
		adhesive: used?.id ?? hold.adhesives[0]?.id ?? "",
		width: "12",
		edges: "2" as "1" | "2",
		depth: "",
		place: "bench" as "bench" | "van" | "yard",
		since: "",
		surface: "",
		item: "0",
	});
	const set = (c: Partial<typeof f>) => setF({ ...f, ...c });
	const adhesive = hold.adhesives.find((a) => a.id === f.adhesive);
	const wet = adhesive?.kind === "moisture";
	const num = (t: string) => Number(t.trim().replace(",", "."));
	const write = useLay(view);
	const laid = () => ({
		step: f.step,
		adhesive: f.adhesive,
		width: wet ? num(f.width) : 0,
		edges: wet ? Number(f.edges) : 0,
		depth24: f.depth.trim() ? num(f.depth) : 0,
		place: f.place,
		heated: 0,
		item: Number(f.item),
		surface: f.surface.trim() ? num(f.surface) : undefined,
		since: f.since.trim() || undefined,
	});
	const bad = [f.width, f.depth, f.surface].some(
		(t) => t.trim() !== "" && Number.isNaN(num(t)),
	);
	const at = (name: string) => write.error?.field(name);
	return (
		<form
			ref={form}
			aria-label="What was laid"
			className="flex flex-col gap-3 border-l-4 border-now pl-3"
			onSubmit={(e) => {
				e.preventDefault();
				if (!bad) write.mutate(laid(), { onSuccess: onDone });
			}}
		>
			{hold.may.length > 1 && (
				<label className="flex flex-col gap-1 font-semibold">
					What waits for it
					<select
						className="min-h-12 border-b-2 border-ink bg-lit px-3 font-normal"
						value={f.step}
						onChange={(e) => set({ step: e.target.value })}
					>
						{hold.may.map((m) => (
							<option key={m.step} value={m.step}>
								{m.title}
							</option>
						))}
					</select>
				</label>
			)}
			<label className="flex flex-col gap-1 font-semibold">
				What
				<select
					className="min-h-12 border-b-2 border-ink bg-lit px-3 font-normal"
					value={f.adhesive}
					onChange={(e) => set({ adhesive: e.target.value })}
				>
					{hold.adhesives.map((a) => (
						<option key={a.id} value={a.id}>
							{a.name}
						</option>
					))}
				</select>
			</label>
			<label className="flex flex-col gap-1 font-semibold">
				Out of
				<select
					className="min-h-12 border-b-2 border-ink bg-lit px-3 font-normal"
					value={f.item}
					onChange={(e) => set({ item: e.target.value })}
				>
					<option value="0">no tube of the stores</option>
					{hold.tubes.map((t) => (
						<option key={t.id} value={String(t.id)}>
							{t.name}
							{t.lot && `, batch ${t.lot}`}
							{t.opened && `, opened ${when(t.opened)}`}
							{t.spent && `: ${t.spent}`}
						</option>
					))}
				</select>
				{at("item") && (
					<span role="alert" className="font-normal text-stop">
						<strong>Not yet:</strong> {at("item")?.why}; {at("item")?.cure}.
					</span>
				)}
			</label>
			{wet && (
				<>
					<LengthField
						label="Pressed width"
						value={num(f.width)}
						onChange={(mm) => set({ width: String(mm) })}
						error={at("width")}
					/>
					<Pick
						label="How many of its edges are open to the air"
						value={f.edges}
						onChange={(edges) => set({ edges })}
						options={[
							{ value: "2", label: "both edges open" },
							{ value: "1", label: "one edge open" },
						]}
					/>
					<TextField
						label="By its sheet, mm in 24 h"
						placeholder={`${adhesive?.depth[0]} to ${adhesive?.depth[1]} by the book`}
						inputMode="decimal"
						value={f.depth}
						onChange={(depth) => set({ depth })}
						error={at("depth24")}
					/>
				</>
			)}
			<Pick
				label="Where it stands"
				value={f.place}
				onChange={(place) => set({ place })}
				options={[
					{ value: "bench", label: "bench" },
					{ value: "van", label: "van" },
					{ value: "yard", label: "yard" },
				]}
			/>
			<TextField
				label="Glass and flange, °C"
				placeholder="as the air"
				inputMode="decimal"
				value={f.surface}
				onChange={(surface) => set({ surface })}
				error={at("surface") ?? at("air")}
			/>
			<WhenField
				label="In place since"
				value={f.since}
				onChange={(since) => set({ since })}
				error={at("since")}
			/>
			<Refusal
				error={
					write.error?.problem.errors?.length ? null : (write.error ?? null)
				}
			/>
			<div className="flex gap-2">
				<Button type="submit" disabled={bad || write.isPending}>
					Start its clock
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</div>
		</form>
	);
}
