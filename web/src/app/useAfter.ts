import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";

/** How often it is looked whether the first screen stands, ms. */
const looks = 300;

let begun = false;

/**
 * What can wait until the first screen stands, by itself: on a slow line it would take its place.
 */
export function useAfter(what: () => Promise<unknown>) {
	const client = useQueryClient();
	useEffect(() => {
		const look = setInterval(() => {
			const stands = document.querySelector("main:not(:has([role=status]))");
			if (begun || !stands || client.isFetching() > 0) return;
			begun = true;
			clearInterval(look);
			void what();
		}, looks);
		return () => clearInterval(look);
	}, [client, what]);
}
