import type { DayStep } from "../../api/types";
import { placeOf, type Stretch, width } from "./scale";

/** As narrow as a finger, px: what is narrower is drawn together with what lies beside it. */
const finger = 44;

/** Pieces nearer to each other than this lie together, px. */
const near = 10;

/** Pieces of a lane that are drawn as one. */
export type Heap = { steps: DayStep[]; x: number; w: number };

/** No heap of short pieces grows wider than this, px: how a day lies stays to be seen. */
const widest = 100;

/** The pieces of a lane, the narrow ones together, so that each can be hit by a finger. */
export function heapsOf(steps: DayStep[], all: Stretch[]): Heap[] {
	const run: Heap[] = [];
	for (const s of [...steps].sort((a, b) => a.from.localeCompare(b.from))) {
		const x = placeOf(all, Date.parse(s.from));
		const w = width(Date.parse(s.from), Date.parse(s.to));
		const last = run.at(-1);
		const joins =
			last &&
			w < finger &&
			x < last.x + last.w + near &&
			(last.steps.length > 1 || last.w < finger) &&
			x + w - last.x <= widest;
		if (joins) grow(last, s, x + w);
		else run.push({ steps: [s], x, w });
	}
	// One that is still too narrow takes the room behind it, or goes to the piece before it or
	// behind it.
	const out: Heap[] = [];
	run.forEach((h, n) => {
		const last = out.at(-1);
		const next = run[n + 1];
		const room = (next?.x ?? Number.POSITIVE_INFINITY) - h.x;
		if (Math.max(h.w, room) >= finger)
			out.push({ ...h, w: Math.max(h.w, Math.min(finger, room)) });
		else if (last && h.x < last.x + last.w + near)
			for (const s of h.steps) grow(last, s, h.x + h.w);
		else if (next)
			run[n + 1] = {
				steps: [...h.steps, ...next.steps],
				x: h.x,
				w: next.x + next.w - h.x,
			};
	});
	return out;
}

function grow(h: Heap, s: DayStep, end: number) {
	h.steps.push(s);
	h.w = Math.max(h.w, end - h.x);
}
