import { useEffect, useRef } from "react";

/** The head of what is shown: another one is read from it, however far down the last was left. */
export function useHead<E extends HTMLElement>(shown: unknown) {
	const head = useRef<E>(null);
	const was = useRef(shown);
	useEffect(() => {
		if (was.current === shown) return;
		was.current = shown;
		head.current?.focus({ preventScroll: true });
		head.current?.closest("main")?.scrollTo(0, 0);
	}, [shown]);
	return head;
}
