import type { Coated, Material } from "../api/types";
import { MaterialField, ThicknessField } from "./MaterialField";

const sides = [
	{ side: "hot", says: "coat to the heat" },
	{ side: "cold", says: "coat to the room" },
] as const;

/** One pane of a pack: material, thickness, and where its coat looks. */
export function PackPaneFields({
	number,
	pane,
	materials,
	onChange,
	onDrop,
}: {
	number: number;
	pane: Coated;
	materials: Material[];
	onChange: (p: Partial<Coated>) => void;
	onDrop?: () => void;
}) {
	const material = materials.find((m) => m.id === pane.material);
	const coated = (material?.emissivity.v ?? 1) < 0.5;
	return (
		<div className="flex flex-col gap-2">
			<div className="grid grid-cols-[1fr_6rem] gap-3">
				<MaterialField
					label={`pane ${number + 1}`}
					value={pane.material}
					materials={materials}
					onChange={(id) => {
						const m = materials.find((x) => x.id === id);
						onChange({
							material: id,
							thickness: m?.thicknesses.includes(pane.thickness)
								? pane.thickness
								: (m?.thicknesses[0] ?? pane.thickness),
							coat: (m?.emissivity.v ?? 1) < 0.5 ? "cold" : "none",
						});
					}}
				/>
				<ThicknessField
					label="mm"
					value={pane.thickness}
					material={material}
					onChange={(thickness) => onChange({ thickness })}
				/>
			</div>
			<div className="flex flex-wrap gap-2">
				{coated &&
					sides.map((s) => (
						<button
							key={s.side}
							type="button"
							aria-pressed={pane.coat === s.side}
							data-coat={number}
							data-side={s.side}
							onClick={() => onChange({ coat: s.side })}
							className="min-h-11 border-2 border-rule bg-lit px-3 aria-pressed:border-now aria-pressed:bg-now-wash aria-pressed:font-semibold"
						>
							{s.says}
						</button>
					))}
				{onDrop && (
					<button
						type="button"
						onClick={onDrop}
						className="min-h-11 px-1 text-ink-2 underline underline-offset-4"
						aria-label={`take out pane ${number + 1}`}
					>
						take out
					</button>
				)}
			</div>
		</div>
	);
}
