import { useEffect, useRef } from "react";

export type Keys = {
	next: () => void;
	before: () => void;
	done: () => void;
	all: () => void;
	pick: (n: number) => void;
	undo: () => void;
	pane: () => void;
	find: () => void;
	help: () => void;
};

/** The keys of the bench, as the sheet of keys names them. */
export const named: { key: string; says: string; does: keyof Keys }[] = [
	{ key: "Enter", says: "answer the line", does: "done" },
	{ key: "1–9", says: "the answer of that number", does: "pick" },
	{ key: "a", says: "all that the line offers at once", does: "all" },
	{ key: "u", says: "undo the last answer", does: "undo" },
	{ key: "n", says: "next station", does: "next" },
	{ key: "b", says: "station before", does: "before" },
	{ key: "p", says: "the pane, and back", does: "pane" },
	{ key: "/", says: "find a job", does: "find" },
	{ key: "?", says: "these keys", does: "help" },
];

/** Keys count where nobody types and nothing is laid over the table. */
export function useKeys(keys: Keys) {
	const latest = useRef(keys);
	latest.current = keys;
	useEffect(() => {
		function pressed(e: KeyboardEvent) {
			// A key that is held down answers once.
			if (e.repeat || e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented)
				return;
			const at = e.target as HTMLElement;
			if (at.closest("input, textarea, select, [role=dialog], [role=menu]"))
				return;
			// A button or a link that has the focus takes Enter for itself.
			if (e.key === "Enter" && at.closest("button, a, summary, [role=button]"))
				return;
			const digit = /^[1-9]$/.test(e.key) ? Number(e.key) : 0;
			const key = named.find((k) => k.key === e.key);
			if (!key && !digit) return;
			e.preventDefault();
			if (digit) latest.current.pick(digit);
			else if (key && key.does !== "pick") latest.current[key.does]();
		}
		window.addEventListener("keydown", pressed);
		return () => window.removeEventListener("keydown", pressed);
	}, []);
}
