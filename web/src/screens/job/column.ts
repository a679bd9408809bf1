import type { ReactNode } from "react";
import type { Figure, View } from "../../api/types";

/** What a station's column is given. */
export type ColumnProps = {
	view: View;
	/** Where one stands: a folder may serve two stations. */
	station: string;
	/** The clocks and the steps, which every station has. */
	steps: ReactNode;
	onPlace: (place: string) => void;
};

// These open from the order line and from the section.
const hidden = ["order_width", "order_height", "clearance_drawn", "bite_drawn"];

/** The numbers of the pane: what wants to be looked at, and the rest. */
export function figuresOf(view: View): { loud: Figure[]; calm: Figure[] } {
	const { figures } = view.reckoning;
	const loud = figures.filter(
		(f) => f.verdict === "stop" || f.verdict === "warn",
	);
	const calm = figures.filter(
		(f) => !loud.includes(f) && !hidden.includes(f.key),
	);
	return { loud, calm };
}
