import { useCatalogue } from "../../api/book";
import { useAddStock } from "../../api/stores";
import type { StockItem } from "../../api/types";
import { Form, useFilled } from "../../form/Form";
import {
	LengthOf,
	MoneyOf,
	NumberOf,
	numberOf,
	PickOf,
	TextOf,
} from "../../form/fields";
import { Button } from "../../parts/Button";
import { MaterialField } from "../../parts/MaterialField";
import { cents } from "../../parts/money";

const kinds: { value: StockItem["kind"]; label: string }[] = [
	{ value: "sheet", label: "sheet" },
	{ value: "offcut", label: "offcut" },
	{ value: "tube", label: "tube" },
	{ value: "seal", label: "seal" },
	{ value: "adhesive", label: "adhesive" },
	{ value: "fastener", label: "fastener" },
	{ value: "consumable", label: "consumable" },
];

const empty = {
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
};

/** Something new for the rack or the shelf. */
export function StockForm({ onDone }: { onDone: () => void }) {
	const catalogue = useCatalogue();
	const filled = useFilled(empty, "stock");
	const kind = filled.watch("kind");
	const material = filled.watch("material");
	const tube = kind === "tube";
	const glass = isGlass(kind);
	const add = useAddStock();
	return (
		<Form
			filled={filled}
			write={add}
			body={itemOf}
			names={{ cents: "price" }}
			onDone={onDone}
		>
			<PickOf label="Kind" name="kind" options={kinds} />
			{glass ? (
				<>
					<MaterialField
						label="Material"
						value={material}
						materials={catalogue.data?.materials ?? []}
						onChange={(m) => filled.setValue("material", m)}
					/>
					<div className="grid grid-cols-3 gap-3">
						<LengthOf label={tube ? "Wall" : "Thickness"} name="thickness" />
						<LengthOf label={tube ? "Outside" : "Width"} name="w" />
						<LengthOf label={tube ? "Length" : "Height"} name="h" />
					</div>
				</>
			) : (
				<>
					<TextOf label="What is it?" name="name" maxLength={120} />
					<PickOf
						label="Counted in"
						name="unit"
						options={[
							{ value: "pc", label: "pieces" },
							{ value: "m", label: "metres" },
						]}
					/>
				</>
			)}
			<div className="grid grid-cols-3 gap-3">
				<NumberOf label="How many" name="quantity" />
				<NumberOf label="At least" name="least" />
				<MoneyOf label="Price of one" name="price" />
			</div>
			<div className="grid grid-cols-3 gap-3">
				<TextOf label="Place" name="place" maxLength={60} />
				<TextOf label="Lot" name="lot" maxLength={60} />
				<TextOf
					label="Good till"
					placeholder="2027-03-31"
					name="expires"
					maxLength={10}
				/>
			</div>
			<Button kind="now" type="submit" disabled={add.isPending}>
				Take it in
			</Button>
		</Form>
	);
}

const isGlass = (kind: StockItem["kind"]) =>
	kind === "sheet" || kind === "offcut" || kind === "tube";

/** What is sent, of what was typed: money as whole cents, by its digits. */
function itemOf(f: typeof empty) {
	const glass = isGlass(f.kind);
	return {
		id: 0,
		version: 0,
		kind: f.kind,
		name: glass ? "" : f.name,
		unit: glass ? ("pc" as const) : f.unit,
		quantity: numberOf(f.quantity),
		least: numberOf(f.least),
		cents: cents(f.price),
		place: f.place,
		lot: f.lot,
		expires: f.expires,
		...(glass
			? {
					material: f.material,
					thickness: numberOf(f.thickness),
					w: numberOf(f.w),
					h: numberOf(f.h),
				}
			: {}),
	};
}
