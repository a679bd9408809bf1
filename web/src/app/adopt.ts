/**
 * What of a kept value fits a form's empty one: fields of the same kind are
 * taken, the others stay as they are empty. Nothing that an earlier version of
 * the page has written can break this one.
 */
export function adopt<T>(kept: unknown, empty: T): T {
	if (empty === null || empty === undefined) {
		return (isPlain(kept) ? kept : empty) as T;
	}
	if (Array.isArray(empty)) {
		if (!Array.isArray(kept)) return empty;
		const [one] = empty;
		return (
			one === undefined
				? kept.filter((v) => typeof v !== "object")
				: kept.map((v) => adopt(v, one))
		) as T;
	}
	if (typeof empty === "object") {
		if (!isPlain(kept)) return empty;
		const known = Object.entries(empty);
		// A list by names has no fields of its own: plain values are taken.
		if (known.length === 0) {
			return Object.fromEntries(
				Object.entries(kept).filter(([, v]) => typeof v !== "object"),
			) as T;
		}
		// What the empty form does not name may be one of its optional fields.
		const out: Record<string, unknown> = {
			...kept,
			...Object.fromEntries(known),
		};
		for (const [key, value] of known) {
			if (key in kept) out[key] = adopt(kept[key], value);
		}
		return out as T;
	}
	return typeof kept === typeof empty ? (kept as T) : empty;
}

function isPlain(v: unknown): v is Record<string, unknown> {
	return typeof v === "object" && v !== null && !Array.isArray(v);
}
