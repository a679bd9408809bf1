import type { Days } from "../../api/types";

export type Stretch = { from: number; to: number; x: number; day: string };

/** Pixels a minute of work, between two stretches of a day, and for a night. */
const perMinute = 2.2;
const pause = 10;
const night = 34;

/** Working hours side by side, nights narrow. */
export function stretches(hours: Days["hours"]): Stretch[] {
	const out: Stretch[] = [];
	let x = 0;
	for (const h of hours) {
		const from = Date.parse(h.from);
		const to = Date.parse(h.to);
		const day = new Date(from).toDateString();
		const last = out.at(-1);
		if (last) x += last.day === day ? pause : night;
		out.push({ from, to, x, day });
		x += width(from, to);
	}
	return out;
}

export function width(from: number, to: number): number {
	return ((to - from) / 60_000) * perMinute;
}

/** Where a moment lies; one out of hours lies at the end of the hours before it. */
export function placeOf(all: Stretch[], at: number): number {
	let best = 0;
	for (const s of all) {
		if (at < s.from) break;
		best = s.x + width(s.from, Math.min(at, s.to));
	}
	return best;
}

export function whole(all: Stretch[]): number {
	const last = all.at(-1);
	return last ? last.x + width(last.from, last.to) : 0;
}

const quarter = 15 * 60_000;

/** The moment at a place, to the quarter hour; in a pause the hours behind it begin. */
export function momentAt(all: Stretch[], x: number): string {
	let at = all[0]?.from ?? Date.now();
	for (const s of all) {
		if (x < s.x) break;
		at = Math.min(s.to, s.from + ((x - s.x) / perMinute) * 60_000);
	}
	return new Date(
		Math.max(Date.now(), Math.round(at / quarter) * quarter),
	).toISOString();
}
