import type { Aspect } from "../api/types";

type Stand = Aspect["stand"][number];

/** What is left over what is asked, as it stands at a bar. */
export function barNumber(a: Aspect, s: Stand): string {
	if (a.key === "safety") return s.value > 0 ? "yes" : a.asks > 0 ? "no" : "–";
	if (a.key === "cost") return s.value.toFixed(0);
	if (!s.known) return "?";
	const places = a.unit === "×" ? 1 : 0;
	const v = s.left.toFixed(places);
	return s.left < 0 ? v.replace("-", "−") : `+${v}`;
}

/** The same in words, for who cannot see it. */
export function barWords(a: Aspect, s: Stand): string {
	if (!s.known) return "not on file";
	if (a.key === "safety")
		return s.value > 0 ? "breaks safely" : "does not break safely";
	if (a.key === "cost") return `${s.value} of 10`;
	const far = Math.abs(s.left).toFixed(a.unit === "×" ? 1 : 0);
	return s.left < 0 ? `${far} ${a.unit} short` : `${far} ${a.unit} left`;
}
