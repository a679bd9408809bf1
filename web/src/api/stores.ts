import { keyed, type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import type { Stores } from "./types";

const key = ["stores"];

export function useStores() {
	return useRead<Stores>(key, () => got(api.GET("/api/stores")));
}

/** What came in and went out of one thing. */
export function useMoves(item: number) {
	return useRead(["moves", item], () =>
		got(api.GET("/api/stores/{id}/moves", { params: { path: { id: item } } })),
	);
}

export function useMove(item: number) {
	return useWrite(
		(body: Sent<"/api/stores/{id}/moves", "post">, once): Promise<Stores> =>
			got(
				api.POST("/api/stores/{id}/moves", {
					params: { path: { id: item }, ...keyed(once) },
					body,
				}),
			),
		{ is: key, asks: [["moves", item], ["cut room"]] },
	);
}

export function useAddStock() {
	return useWrite(
		(body: Sent<"/api/stores", "post">, once): Promise<Stores> =>
			got(api.POST("/api/stores", { params: keyed(once), body })),
		{ is: key, asks: [["cut room"]] },
	);
}

/** The stores from a file. */
export function useStoresFile() {
	return useWrite(
		(body: Sent<"/api/stores/file", "post">, once) =>
			got(api.POST("/api/stores/file", { params: keyed(once), body })),
		{ asks: [key] },
	);
}
