import type { Listed } from "../../api/types";

export type Order = "newest" | "promise" | "station";
export type Which = "any" | "now" | "waiting" | "late";

const never = Number.POSITIVE_INFINITY;

const due = (r: Listed) => (r.promised_at ? Date.parse(r.promised_at) : never);

const far = (r: Listed) => r.route.filter((l) => l.state === "done").length;

/** The jobs of one kind, in the order that somebody asks for. */
export function ordered(rows: Listed[], order: Order, which: Which): Listed[] {
	const kept = rows.filter(
		(r) =>
			which === "any" ||
			(which === "late" && r.late) ||
			(which === "waiting" && r.waiting) ||
			(which === "now" && r.route.length > 0 && !r.waiting),
	);
	switch (order) {
		case "promise":
			return kept.sort((a, b) => due(a) - due(b) || b.id - a.id);
		case "station":
			return kept.sort((a, b) => far(b) - far(a) || due(a) - due(b));
		default:
			return kept;
	}
}
