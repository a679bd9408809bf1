import { useState } from "react";
import { useHeldWrite } from "../../../api/panes";
import type { Spotted, View } from "../../../api/types";
import { heldOf } from "../sheets/held";

/** Enough to tell a corner from a side, few enough to tap. */
export const across = 8;
const down = 3;

/** The map of a bond's two faces while somebody taps it, and how it is kept. */
export function usePeel(view: View) {
	const had = view.pane.peel;
	const [size, setSize] = useState({
		length: had.length ?? 0,
		width: had.width ?? 0,
	});
	const [map, setMap] = useState<(Spotted | "")[]>(() =>
		Array.from({ length: across * down }, (_, n) => had.spots?.[n] ?? ""),
	);
	const write = useHeldWrite(view);
	return {
		size,
		setSize,
		map,
		spot: (n: number, s: Spotted | "") =>
			setMap(map.map((was, i) => (i === n ? s : was))),
		seen: map.filter((s) => s !== "").length,
		changed: map.some((s, n) => s !== (had.spots?.[n] ?? "")),
		write,
		keep: () =>
			write.mutate({ ...heldOf(view), peel: { ...size, spots: map } }),
	};
}
