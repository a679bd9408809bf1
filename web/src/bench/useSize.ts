import { useLayoutEffect, useState } from "react";

/** The size of an element on the screen, followed as it changes, also where it comes later. */
export function useSize<T extends Element>() {
	const [el, ref] = useState<T | null>(null);
	const [size, setSize] = useState({ w: 0, h: 0 });
	useLayoutEffect(() => {
		if (!el) return;
		const watch = new ResizeObserver(([entry]) => {
			if (entry) {
				setSize({ w: entry.contentRect.width, h: entry.contentRect.height });
			}
		});
		watch.observe(el);
		return () => watch.disconnect();
	}, [el]);
	return [ref, size] as const;
}
