type Size = { w: number; h: number };
type Point = { x: number; y: number };

/** Where a gap is read, clockwise from the left end of the top: along its side, 0 to 1. */
export const gapPlaces: {
	side: "top" | "right" | "bottom" | "left";
	along: number;
	name: string;
}[] = [
	{ side: "top", along: 0.25, name: "top, left" },
	{ side: "top", along: 0.75, name: "top, right" },
	{ side: "right", along: 0.25, name: "right, upper" },
	{ side: "right", along: 0.75, name: "right, lower" },
	{ side: "bottom", along: 0.75, name: "bottom, right" },
	{ side: "bottom", along: 0.25, name: "bottom, left" },
	{ side: "left", along: 0.75, name: "left, lower" },
	{ side: "left", along: 0.25, name: "left, upper" },
];

/** A place on the opening's edge, from its upper left corner, px. */
export function gapAt(n: number, size: Size): Point {
	const p = gapPlaces[n];
	if (!p) return { x: 0, y: 0 };
	switch (p.side) {
		case "top":
			return { x: p.along * size.w, y: 0 };
		case "right":
			return { x: size.w, y: p.along * size.h };
		case "bottom":
			return { x: p.along * size.w, y: size.h };
		default:
			return { x: 0, y: p.along * size.h };
	}
}

/** The pane's corners within its opening, from the eight gaps, all px. */
export function paneOf(gaps: number[], size: Size): Point[] {
	const edge = gaps.map((g, n) => {
		const at = gapAt(n, size);
		const side = gapPlaces[n]?.side;
		if (side === "top") return { x: at.x, y: g };
		if (side === "right") return { x: size.w - g, y: at.y };
		if (side === "bottom") return { x: at.x, y: size.h - g };
		return { x: g, y: at.y };
	});
	const lines = [0, 2, 4, 6].map((n) => [edge[n], edge[n + 1]] as const);
	return lines.flatMap((line, n) => {
		const [a, b] = line;
		const [c, d] = lines[(n + 1) % 4] ?? line;
		return a && b && c && d ? [crossing(a, b, c, d)] : [];
	});
}

function crossing(a: Point, b: Point, c: Point, d: Point): Point {
	const u = { x: b.x - a.x, y: b.y - a.y };
	const v = { x: d.x - c.x, y: d.y - c.y };
	const t = ((c.x - a.x) * v.y - (c.y - a.y) * v.x) / (u.x * v.y - u.y * v.x);
	return { x: a.x + t * u.x, y: a.y + t * u.y };
}
