import type { Held, View } from "../../../api/types";

/** How the pane is held, as it stands, for a change of it. */
export function heldOf(view: View): Held {
	const p = view.pane;
	return {
		name: p.name,
		family: p.family,
		road: p.road,
		frame: p.frame,
		cutter: p.cutter,
		gasket: p.gasket,
		sides: p.sides,
		shape: p.shape,
		raked: p.raked,
		like: p.like,
		duty: p.duty,
		stack: p.stack,
		uses: p.uses,
		peel: p.peel,
		turns: p.turns,
		stock: p.stock,
		version: p.version,
	};
}
