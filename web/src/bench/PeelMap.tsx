import type { Spotted } from "../api/types";

/** What a spot can show: a sign and a tone of its own, never a colour alone. */
export const spots: {
	id: Spotted;
	name: string;
	sign: string;
	look: string;
}[] = [
	{ id: "glass", name: "clean glass", sign: "G", look: "bg-lit" },
	{ id: "metal", name: "clean metal", sign: "M", look: "bg-metal" },
	{
		id: "torn",
		name: "torn in the glue",
		sign: "≈",
		look: "bg-now-wash text-now",
	},
	{
		id: "foreign",
		name: "older glue",
		sign: "O",
		look: "bg-tape text-on-tape",
	},
	{ id: "never", name: "never touched", sign: "·", look: "bg-ground" },
];

/** The two faces of a bond in one map of spots, to tap. */
export function PeelMap({
	across,
	map,
	onTap,
}: {
	across: number;
	map: (Spotted | "")[];
	onTap: (n: number) => void;
}) {
	return (
		<fieldset
			aria-label="The faces of the bond"
			className="mt-3 grid max-w-[44em] gap-px border-2 border-ink bg-rule p-0"
			style={{ gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))` }}
		>
			{map.map((s, n) => {
				const shown = spots.find((x) => x.id === s);
				return (
					<button
						// biome-ignore lint/suspicious/noArrayIndexKey: a spot has no name but its place
						key={n}
						type="button"
						onClick={() => onTap(n)}
						aria-label={`spot ${n + 1}: ${shown?.name ?? "not looked at"}`}
						data-spot={n}
						className={`min-h-12 text-center text-lg font-semibold ${shown?.look ?? "bg-ground"}`}
					>
						{shown?.sign ?? "?"}
					</button>
				);
			})}
		</fieldset>
	);
}
