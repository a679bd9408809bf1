import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";

// What shows the whole shop; a job has a pulse of its own.
const shown = [
	["today"],
	["adhesive day"],
	["days"],
	["reminders"],
	["cut room"],
	["stores"],
	["jobs"],
];

/** Asks again for what shows the whole shop as soon as somebody has changed something. */
export function usePulse(): void {
	const client = useQueryClient();
	useEffect(() => {
		const source = new EventSource("/api/pulse");
		let first = true;
		source.addEventListener("changed", () => {
			// The first one tells where the shop stands, not that something is new.
			if (!first)
				for (const queryKey of shown)
					void client.invalidateQueries({ queryKey });
			first = false;
		});
		return () => source.close();
	}, [client]);
}
