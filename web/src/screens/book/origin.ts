import type { Value } from "../../api/types";
import { dayOf } from "../../app/when";

type Origin = Value["o"];

/** Where a value of the catalogue comes from, in words. */
export function originOf(o: Origin): string {
	switch (o.kind) {
		case "data-sheet":
			return "typical data sheet, from memory";
		case "standard":
			return `${o.name}, from memory`;
		case "shop":
			return [
				`set by the shop: ${o.name}`,
				// A date stays on one line.
				o.by && `${o.by}, ${dayOf(o.at ?? "").replaceAll(" ", "\u00a0")}`,
			]
				.filter(Boolean)
				.join("; ");
		default:
			return "common practice, no source";
	}
}
