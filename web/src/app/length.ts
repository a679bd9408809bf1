import { useWho } from "./who";

type Unit = "mm" | "in";

/** An inch, mm (by definition, 1959). */
const inch = 25.4;

/** Fractions of an inch are said to the 32nd, as a tape has them. */
const parts = 32;

/** A length as people of the shop say it, without its unit: 595.5, or 23 7/16. */
export function lengthIn(mm: number, unit: Unit): string {
	if (unit === "mm") return String(Math.round(mm * 10) / 10);
	const all = Math.round((mm / inch) * parts);
	// What no tape shows is said in decimals: a tolerance, a thin sheet.
	if (Math.abs((all * inch) / parts - mm) > 0.2 || mm < inch / 4)
		return String(Math.round((mm / inch) * 1000) / 1000);
	const whole = Math.floor(all / parts);
	let top = all % parts;
	let under = parts;
	while (top > 0 && top % 2 === 0) {
		top /= 2;
		under /= 2;
	}
	if (top === 0) return String(whole);
	return whole > 0 ? `${whole} ${top}/${under}` : `${top}/${under}`;
}

/** Lengths in the shop's unit: one, or several beside one another with the unit behind them. */
export function useLengths() {
	const { unit } = useWho().shop;
	const one = (mm: number) => lengthIn(mm, unit);
	return {
		unit,
		one,
		said: (...mm: number[]) => `${mm.map(one).join(" × ")} ${unit}`,
	};
}
