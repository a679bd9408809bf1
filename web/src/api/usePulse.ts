import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { ask as askLife } from "./reach";

// What shows the whole shop; a job has a pulse of its own.
const shown = [
	["today"],
	["adhesive day"],
	["days"],
	["rounds"],
	["reminders"],
	["cut room"],
	["stores"],
	["jobs"],
];

/**
 * Asks again for what shows the whole shop as soon as somebody has changed something. A
 * browser keeps few connections to one address: a page that nobody looks at listens to
 * nothing, and asks when it is looked at again.
 */
export function usePulse(): void {
	const client = useQueryClient();
	useEffect(() => {
		let source: EventSource | null = null;
		const ask = () => {
			for (const queryKey of shown) void client.invalidateQueries({ queryKey });
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
			source?.close();
		};
	}, [client]);
}
