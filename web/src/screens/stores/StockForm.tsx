import { useState } from "react";
import { useCatalogue } from "../../api/book";
import { useAddStock } from "../../api/stores";
import type { StockItem } from "../../api/types";
import { LengthField } from "../../form/LengthField";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { MaterialField } from "../../parts/MaterialField";
import { cents } from "../../parts/money";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";

const kinds: { value: StockItem["kind"]; label: string }[] = [
	{ value: "sheet", label: "sheet" },
	{ value: "offcut", label: "offcut" },
	{ value: "tube", label: "tube" },
	{ value: "seal", label: "seal" },
	{ value: "adhesive", label: "adhesive" },
	{ value: "fastener", label: "fastener" },
	{ value: "consumable", label: "consumable" },
];

const fields = [
	"kind",
	"name",
	"material",
	"thickness",
	"w",
	"h",
	"unit",
	"quantity",
	"least",
	"cents",
	"place",
	"lot",
	"expires",
];

/** Something new for the rack or the shelf. */
export function StockForm({ onDone }: { onDone: () => void }) {
	const catalogue = useCatalogue();
	const [f, setF] = useState({
		kind: "sheet" as StockItem["kind"],
		name: "",
		material: "annealed",
		thickness: "4",
		w: "",
		h: "",
		unit: "pc" as StockItem["unit"],
		quantity: "1",
		least: "",
		price: "",
		place: "",
		lot: "",
		expires: "",
	});
	const set = (c: Partial<typeof f>) => setF({ ...f, ...c });
	const glass = f.kind === "sheet" || f.kind === "offcut" || f.kind === "tube";
	const number = (t: string) => Number(t.trim().replace(",", ".") || "0");
	const add = useAddStock();
	const item = () => ({
		id: 0,
		version: 0,
		kind: f.kind,
		name: f.name,
		unit: glass ? "pc" : f.unit,
		quantity: number(f.quantity),
		least: number(f.least),
		// Money is whole cents: the point is moved in the text, not in a sum.
		cents: cents(f.price),
		place: f.place,
		lot: f.lot,
		expires: f.expires,
		...(glass
			? {
					material: f.material,
					thickness: number(f.thickness),
					w: number(f.w),
					h: number(f.h),
				}
			: {}),
	});
	const error = (name: string) => {
		const text = {
			thickness: f.thickness,
			w: f.w,
			h: f.h,
			quantity: f.quantity,
			least: f.least,
		}[name];
		if (text !== undefined && Number.isNaN(number(text)))
			return { field: name, why: "a number is expected" };
		if (name === "cents" && Number.isNaN(cents(f.price)))
			return { field: name, why: "a price such as 12.50 is expected" };
		return add.error?.field(name);
	};
	const typed = fields.filter(
		(n) => glass || !["thickness", "w", "h"].includes(n),
	);
	const wrong = typed.some((n) => error(n)?.why.includes("is expected"));
	const text = (label: string, name: "quantity" | "least") => (
		<TextField
			label={label}
			inputMode="decimal"
			value={f[name]}
			onChange={(v) => set({ [name]: v })}
			error={error(name)}
		/>
	);
	const length = (label: string, name: "w" | "h" | "thickness") => (
		<LengthField
			label={label}
			value={f[name] === "" ? undefined : number(f[name])}
			onChange={(mm) => set({ [name]: String(mm) })}
			error={error(name)}
		/>
	);
	return (
		<form
			className="flex flex-col gap-4"
			onSubmit={(e) => {
				e.preventDefault();
				if (!wrong) add.mutate(item(), { onSuccess: onDone });
			}}
		>
			<Pick
				label="Kind"
				value={f.kind}
				options={kinds}
				onChange={(kind) => set({ kind })}
			/>
			{glass ? (
				<>
					<MaterialField
						label="Material"
						value={f.material}
						materials={catalogue.data?.materials ?? []}
						onChange={(material) => set({ material })}
						error={error("material")}
					/>
					<div className="grid grid-cols-3 gap-3">
						{length(f.kind === "tube" ? "Wall" : "Thickness", "thickness")}
						{length(f.kind === "tube" ? "Outside" : "Width", "w")}
						{length(f.kind === "tube" ? "Length" : "Height", "h")}
					</div>
				</>
			) : (
				<>
					<TextField
						label="What is it?"
						value={f.name}
						onChange={(name) => set({ name })}
						error={error("name")}
						maxLength={120}
					/>
					<Pick
						label="Counted in"
						value={f.unit}
						options={[
							{ value: "pc", label: "pieces" },
							{ value: "m", label: "metres" },
						]}
						onChange={(unit) => set({ unit })}
					/>
				</>
			)}
			<div className="grid grid-cols-3 gap-3">
				{text("How many", "quantity")}
				{text("At least", "least")}
				<TextField
					label="Price of one"
					inputMode="decimal"
					value={f.price}
					onChange={(price) => set({ price })}
					error={error("cents")}
				/>
			</div>
			<div className="grid grid-cols-3 gap-3">
				<TextField
					label="Place"
					value={f.place}
					onChange={(place) => set({ place })}
					error={error("place")}
					maxLength={60}
				/>
				<TextField
					label="Lot"
					value={f.lot}
					onChange={(lot) => set({ lot })}
					error={error("lot")}
					maxLength={60}
				/>
				<TextField
					label="Good till"
					placeholder="2027-03-31"
					value={f.expires}
					onChange={(expires) => set({ expires })}
					error={error("expires")}
					maxLength={10}
				/>
			</div>
			{add.error && !fields.some((n) => add.error?.field(n)) && (
				<Refusal error={add.error} />
			)}
			<Button kind="now" type="submit" disabled={add.isPending || wrong}>
				Take it in
			</Button>
		</form>
	);
}
