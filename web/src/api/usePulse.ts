import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { ask as askLife } from "./reach";

// What shows the whole shop; a job has a pulse of its own.
const shown = [
	["today"],
	["adhesive day"],
	["days"],
	["rounds"],
	["owing"],
	["reminders"],
	["cut room"],
	["stores"],
	["jobs"],
];

/** How long a change is waited with, for others that come with it, ms. */
const settles = 300;

/**
 * Asks again for what shows the whole shop as soon as somebody has changed something. A
 * browser keeps few connections to one address: a page that nobody looks at listens to
 * nothing, and asks when it is looked at again.
 */
export function usePulse(): void {
	const client = useQueryClient();
	useEffect(() => {
		let source: EventSource | null = null;
		let due: ReturnType<typeof setTimeout> | undefined;
		// An answer that is on its way comes first: asked again at each change, a list that takes a
		// second would never come in a busy shop.
		const ask = () => {
			due ??= setTimeout(() => {
				due = undefined;
				if (shown.some((queryKey) => client.isFetching({ queryKey }) > 0)) {
					ask();
					return;
				}
				for (const queryKey of shown)
					void client.invalidateQueries({ queryKey });
			}, settles);
		};
		const listen = () => {
			if (document.hidden) {
				source?.close();
				source = null;
				return;
			}
			if (source) return;
			let first = true;
			source = new EventSource("/api/pulse");
			source.addEventListener("error", () => void askLife());
			source.addEventListener("changed", () => {
				// The first one tells where the shop stands, not that something is new.
				if (!first) ask();
				first = false;
			});
		};
		const looked = () => {
			if (!document.hidden && !source) ask();
			listen();
		};
		listen();
		document.addEventListener("visibilitychange", looked);
		return () => {
			document.removeEventListener("visibilitychange", looked);
			clearTimeout(due);
			source?.close();
		};
	}, [client]);
}
