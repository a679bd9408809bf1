import { useSyncExternalStore } from "react";

export type Theme = "light" | "dark";

const key = "theme";
const dark = window.matchMedia("(prefers-color-scheme: dark)");
const listeners = new Set<() => void>();

/** The shop's lamp: what was chosen on this device, else what the device asks. */
function current(): Theme {
	const kept = localStorage.getItem(key);
	if (kept === "light" || kept === "dark") return kept;
	return dark.matches ? "dark" : "light";
}

function apply() {
	document.documentElement.dataset.theme = current();
	for (const l of listeners) l();
}

export function startTheme() {
	apply();
	dark.addEventListener("change", apply);
}

export function setTheme(t: Theme) {
	localStorage.setItem(key, t);
	apply();
}

export function useTheme(): Theme {
	return useSyncExternalStore((l) => {
		listeners.add(l);
		return () => listeners.delete(l);
	}, current);
}
