import { useEffect, useRef } from "react";

/** Keeps the place where one is in sight, in a row that scrolls sideways. */
export function useInSight<T extends HTMLElement>(here: string) {
	const row = useRef<T>(null);
	// biome-ignore lint/correctness/useExhaustiveDependencies: another place is what moves it
	useEffect(() => {
		const now = row.current?.querySelector<HTMLElement>("[aria-current=page]");
		if (!row.current || !now) return;
		const middle = now.offsetLeft + now.offsetWidth / 2;
		row.current.scrollLeft =
			middle - row.current.offsetLeft - row.current.clientWidth / 2;
	}, [here]);
	return row;
}
