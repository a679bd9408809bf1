import type { Spotted } from "../api/types";
import { spots } from "./PeelMap";

/** On which face glue is left, for each thing that a spot can show. */
const glueOn: Record<Spotted, { glass: boolean; frame: boolean }> = {
	"": { glass: false, frame: false },
	glass: { glass: false, frame: true },
	metal: { glass: true, frame: false },
	torn: { glass: true, frame: true },
	foreign: { glass: false, frame: true },
	never: { glass: false, frame: false },
};

/** One face of the bond with the glue that is left on it, spot by spot, to tap. */
export function PeelFace({
	side,
	across,
	map,
	onTap,
}: {
	side: "glass" | "frame";
	across: number;
	map: (Spotted | "")[];
	onTap: (n: number) => void;
}) {
	const name = side === "glass" ? "the pane's face" : "the frame's face";
	return (
		<div>
			<p className="mb-1 font-semibold max-sm:sr-only">{name}</p>
			<fieldset
				aria-label={name}
				className={`grid gap-px border-2 border-ink p-0 ${side === "glass" ? "bg-rule" : "bg-ink-3"}`}
				style={{ gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))` }}
			>
				{map.map((s, n) => {
					const shown = spots.find((x) => x.id === s);
					const glue = s !== "" && glueOn[s][side];
					return (
						<button
							// biome-ignore lint/suspicious/noArrayIndexKey: a spot has no name but its place
							key={n}
							type="button"
							onClick={() => onTap(n)}
							data-face={`${side} ${n}`}
							aria-label={`${name}, spot ${n + 1}: ${shown ? `${shown.name}, ${glue ? "glue on it" : "bare"}` : "not looked at"}`}
							className={`min-h-12 text-lg font-semibold ${glue ? "bg-ink text-ground" : side === "glass" ? "bg-lit text-ink" : "bg-metal text-ink"}`}
						>
							{shown?.sign ?? "?"}
						</button>
					);
				})}
			</fieldset>
		</div>
	);
}
