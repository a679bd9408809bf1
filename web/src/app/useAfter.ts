import { useIsFetching, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";

/** So long nothing is asked for before what can wait is loaded; and the longest that it waits, ms. */
const quiet = 300;
const longest = 5000;

let begun = false;

/**
 * What can wait until the first screen stands: the letters' own shapes, then the screens that are
 * opened most. On a slow line they would take its place.
 */
export function useAfter(what: (() => Promise<unknown>)[]) {
	const client = useQueryClient();
	const busy = useIsFetching() > 0;
	useEffect(() => {
		if (busy || begun) return;
		// The door asks for the session alone; a screen asks for more.
		const stands =
			client.getQueryCache().findAll({ type: "active" }).length > 1;
		const t = setTimeout(
			async () => {
				begun = true;
				for (const load of what) await load().catch(() => undefined);
			},
			stands ? quiet : longest,
		);
		return () => clearTimeout(t);
	}, [busy, what, client]);
}
