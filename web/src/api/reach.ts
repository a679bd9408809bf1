import { useSyncExternalStore } from "react";

// Whether the program answers: every call says so, and a page that hears nothing asks.
let reached = true;
const heard = new Set<() => void>();

/** How often a page that is cut off asks whether it is so still, ms. */
const askEvery = 1500;
let asking: ReturnType<typeof setInterval> | undefined;

/** A call came through, or did not. */
export function reaches(now: boolean) {
	if (now === reached) return;
	reached = now;
	clearInterval(asking);
	if (!now) asking = setInterval(() => void ask(), askEvery);
	for (const tell of heard) tell();
}

/** Asks the program for a sign of life, and says whether there was one. */
export async function ask(): Promise<boolean> {
	try {
		await fetch("/healthz", { cache: "no-store" });
		reaches(true);
	} catch {
		reaches(false);
	}
	return reached;
}

window.addEventListener("offline", () => reaches(false));
window.addEventListener("online", () => void ask());

function listen(tell: () => void) {
	heard.add(tell);
	return () => heard.delete(tell);
}

/** Whether the program can be reached, as far as this page knows. */
export function useReached(): boolean {
	return useSyncExternalStore(listen, () => reached);
}
