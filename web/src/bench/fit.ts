import type { Drawing, Point } from "../api/types";

/** A pane of the screen, px. */
export type Frame = { x: number; y: number; w: number; h: number };

/** From millimetres with y up to pixels with y down. */
export type Eye = {
	scale: number;
	at: (p: Point) => { x: number; y: number };
};

/** Fits a drawing into a frame, to scale and in the middle. */
export function eyeFor(d: Drawing, f: Frame): Eye {
	const w = Math.max(d.box.max.x - d.box.min.x, 1);
	const h = Math.max(d.box.max.y - d.box.min.y, 1);
	// Before its size is known a frame has none: nothing is drawn backwards.
	const scale = Math.max(0, Math.min(f.w / w, f.h / h));
	const ox = f.x + (f.w - w * scale) / 2;
	const oy = f.y + (f.h - h * scale) / 2;
	return {
		scale,
		at: (p) => ({
			x: ox + (p.x - d.box.min.x) * scale,
			y: oy + (d.box.max.y - p.y) * scale,
		}),
	};
}
