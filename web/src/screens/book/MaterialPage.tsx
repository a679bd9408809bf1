import type { Catalogue, Material, Value } from "../../api/types";
import { type Row, ValueTable } from "./ValueTable";

const rows: {
	item: string;
	name: string;
	unit: string;
	of: (m: Material) => Value | undefined;
}[] = [
	{ item: "steady", name: "steady heat", unit: "°C", of: (m) => m.steady },
	{ item: "peak", name: "for minutes", unit: "°C", of: (m) => m.peak },
	{ item: "sudden", name: "sudden change", unit: "K", of: (m) => m.sudden },
	{
		item: "strength",
		name: "bending strength",
		unit: "MPa",
		of: (m) => m.strength,
	},
	{
		item: "design",
		name: "carries for good",
		unit: "MPa",
		of: (m) => m.design,
	},
	{
		item: "cold_bend",
		name: "cold bend, × thickness",
		unit: "",
		of: (m) => m.cold_bend,
	},
	{ item: "alpha", name: "growth, 10⁻⁶", unit: "/K", of: (m) => m.alpha },
	{ item: "e", name: "stiffness", unit: "GPa", of: (m) => m.e },
	{ item: "nu", name: "Poisson's ratio", unit: "", of: (m) => m.nu },
	{ item: "lambda", name: "conducts", unit: "W/mK", of: (m) => m.lambda },
	{ item: "emissivity", name: "emissivity", unit: "", of: (m) => m.emissivity },
	{ item: "density", name: "density", unit: "kg/m³", of: (m) => m.density },
	{
		item: "clearance",
		name: "asks for edge clearance",
		unit: "mm",
		of: (m) => m.limits?.clearance,
	},
	{
		item: "hot_clearance",
		name: "keeps clear when grown",
		unit: "mm",
		of: (m) => m.limits?.hot_clearance,
	},
	{
		item: "bite",
		name: "asks for bite",
		unit: "mm",
		of: (m) => m.limits?.bite,
	},
];

// Most materials ask nothing of their frame.
const asked = ["clearance", "hot_clearance", "bite"];

const cuts: Record<string, string> = {
	hand: "cut here by hand",
	saw: "sawn here",
	order: "ordered to final size",
};

function rowsOf(m: Material): Row[] {
	return [
		...rows
			.filter((r) => r.item !== "design" || m.plastic)
			.filter((r) => r.of(m) || !asked.includes(r.item))
			.map(({ of, ...r }) => ({ ...r, value: of(m) })),
		...(m.life ?? []).map((l) => ({
			item: `life_${l.c}`,
			name: `lasts at ${l.c} °C`,
			unit: "h",
			value: { v: l.hours, o: l.o ?? m.steady.o },
		})),
	];
}

/** Every material with its values; each value says where it is from. */
export function MaterialPage({ book }: { book: Catalogue }) {
	return (
		<ul className="grid gap-x-10 lg:grid-cols-2">
			{book.materials.map((m) => (
				<li
					key={m.id}
					className="border-t-2 border-rule py-4"
					data-material={m.id}
				>
					<h2 className="flex items-center gap-3 text-xl font-semibold">
						<span
							aria-hidden="true"
							className="h-5 w-9 border-y-4"
							style={{
								borderColor: `var(--edge-${m.edge})`,
								background: `var(--fill-${m.edge})`,
							}}
						/>
						{m.name}
					</h2>
					<p className="text-ink-2">
						{m.safety
							? "safety glazing when it bears its mark"
							: "no safety glazing"}
						; {cuts[m.cut] ?? m.cut}; {m.thicknesses.join(", ")} mm
						{m.walls && `; as a tube with walls of ${m.walls.join(", ")} mm`}
						{m.only && "; only where the old pane was one"}
					</p>
					<div className="mt-2">
						<ValueTable
							book={book}
							kind="material"
							id={m.id}
							of={m.short}
							says={`Values of ${m.name}`}
							rows={rowsOf(m)}
						/>
					</div>
				</li>
			))}
		</ul>
	);
}
