import type { Item } from "../api/types";

/** How a meaning is drawn. Colour never stands alone: width and dash differ. */
export type Look = {
	stroke: string;
	width: number;
	fill?: string;
	dash?: string;
};

export function lookOf(item: Item, edge: string): Look {
	switch (item.layer) {
		case "frame":
			return { stroke: "var(--ink)", width: 1.5, fill: "var(--metal)" };
		case "opening":
			return {
				stroke: "var(--ink)",
				width: 1.5,
				fill: "var(--lit)",
				dash: item.state === "assumed" ? "7 6" : undefined,
			};
		case "sight":
			return { stroke: "var(--ink-3)", width: 1, dash: "6 4" };
		case "pane":
			return {
				stroke: `var(--edge-${edge})`,
				// The other panes of a pack stand back.
				width: /^pane-\d+-cut$/.test(item.id) ? 1.3 : 3.5,
				fill: `var(--fill-${edge})`,
			};
		case "fixing":
			return { stroke: "var(--ink)", width: 1.3, fill: "var(--metal)" };
		case "gasket":
			// In section it is a body, on the plan only its path.
			if (item.id.endsWith("-cut") || item.id.endsWith("-edge")) {
				return { stroke: "var(--ink-2)", width: 1.2, fill: "var(--gasket)" };
			}
			return { stroke: "var(--ink-2)", width: 1.4, dash: "2 3" };
		case "block":
			return { stroke: "var(--ink)", width: 1, fill: "var(--ink-2)" };
		case "hatch":
			return {
				stroke: "var(--ink)",
				width: 1.5,
				fill: "url(#cut-through)",
			};
		case "clearance":
			if (item.state === "odd") {
				return { stroke: "var(--stop)", width: 3, dash: "4 3" };
			}
			return { stroke: "var(--computed)", width: 1.5 };
		case "reading":
			return { stroke: "var(--wax)", width: 1.6 };
		default:
			return { stroke: "var(--ink)", width: 1 };
	}
}
