import { useLayoutEffect, useRef, useState } from "react";

/** The size of an element on the screen, followed as it changes. */
export function useSize<T extends Element>() {
	const ref = useRef<T>(null);
	const [size, setSize] = useState({ w: 0, h: 0 });
	useLayoutEffect(() => {
		const el = ref.current;
		if (!el) return;
		const watch = new ResizeObserver(([entry]) => {
			if (entry) {
				setSize({ w: entry.contentRect.width, h: entry.contentRect.height });
			}
		});
		watch.observe(el);
		return () => watch.disconnect();
	}, []);
	return [ref, size] as const;
}
