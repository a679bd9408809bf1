import { keyed, on, type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import { useMoments } from "./lengths";
import type { Orders, View } from "./types";

/** What was ordered for the job; it follows the job's own changes. */
export const useOrders = (view: View) =>
	useRead<Orders>(
		["orders", view.job.id, view.pane.id, view.job.pulse],
		() => got(api.GET("/api/jobs/{id}/orders", { params: on(view) })),
		{ placeholderData: (before) => before },
	);

// The job is read again, for its waits.
const changes = (view: View) => ({
	asks: [
		["orders", view.job.id],
		["job", view.job.id],
		["offers", view.job.id],
	],
});

export const useOrderIt = (view: View) =>
	useWrite(
		(body: Sent<"/api/jobs/{id}/orders", "post">, once): Promise<Orders> =>
			got(
				api.POST("/api/jobs/{id}/orders", {
					params: { ...on(view), ...keyed(once) },
					body,
				}),
			),
		changes(view),
	);

/** An order goes on; `due` is what was typed for its day. */
export function useOrderState(
	view: View,
	order: { id: number; version: number },
) {
	const moments = useMoments();
	return useWrite(
		async ({
			due,
			state,
		}: Pick<Sent<"/api/jobs/{id}/orders/{order}/state", "put">, "state"> & {
			due?: string;
		}): Promise<Orders> =>
			got(
				api.PUT("/api/jobs/{id}/orders/{order}/state", {
					params: on(view, { order: order.id }),
					body: {
						state,
						version: order.version,
						due: await moments.of("due", due ?? ""),
					},
				}),
			),
		changes(view),
	);
}

/** What came, looked over line by line; `due` is what was typed for when the rest comes. */
export function useCame(view: View, order: number) {
	const moments = useMoments();
	return useWrite(
		async ({
			due,
			...body
		}: Sent<"/api/jobs/{id}/orders/{order}/came", "put">): Promise<Orders> =>
			got(
				api.PUT("/api/jobs/{id}/orders/{order}/came", {
					params: on(view, { order }),
					body: { ...body, due: await moments.of("due", due ?? "") },
				}),
			),
		changes(view),
	);
}
