import { useQueryClient } from "@tanstack/react-query";
import {
	askAgain,
	keyed,
	on,
	type Sent,
	useJobWrite,
	useRead,
	useWrite,
} from "./call";
import { api, got } from "./client";
import type { Offers, View } from "./types";

const key = (view: View) => ["offers", view.job.id, view.pane.id];

/** Prices of the pane, compared by what each costs in all. */
export const useOffers = (view: View) =>
	useRead(key(view), () =>
		got(api.GET("/api/jobs/{id}/offers", { params: on(view) })),
	);

export const useAddOffer = (view: View) =>
	useWrite(
		(body: Sent<"/api/jobs/{id}/offers", "post">, once): Promise<Offers> =>
			got(
				api.POST("/api/jobs/{id}/offers", {
					params: { ...on(view), ...keyed(once) },
					body,
				}),
			),
		{ is: key(view) },
	);

export const useDropOffer = (view: View) =>
	useWrite(
		(offer: number): Promise<Offers> =>
			got(
				api.DELETE("/api/jobs/{id}/offers/{offer}", {
					params: on(view, { offer }),
				}),
			),
		{ is: key(view) },
	);

/** The offer that is taken; `seen` is the one that was taken when it was asked. */
export function useTakeOffer(view: View, seen: number) {
	const client = useQueryClient();
	return useJobWrite(
		view,
		(offer: number) =>
			got(
				api.PUT("/api/jobs/{id}/offers/{offer}/taken", {
					params: {
						...on(view, { offer }),
						query: { pane: view.pane.id, seen },
					},
				}),
			),
		{ after: () => askAgain(client, [key(view)]) },
	);
}

/** Asks every supplier for a price. */
export const useAskSuppliers = (view: View) =>
	useWrite(
		(_: undefined, once) =>
			got(
				api.POST("/api/jobs/{id}/offers/asked", {
					params: { ...on(view), ...keyed(once) },
					body: {},
				}),
			),
		{ is: key(view) },
	);

/** What a second visit and a day of waiting cost on this job. */
export const useTerms = (view: View) =>
	useWrite(
		(body: Sent<"/api/jobs/{id}/terms", "put">): Promise<Offers> =>
			got(api.PUT("/api/jobs/{id}/terms", { params: on(view), body })),
		{ is: key(view) },
	);
