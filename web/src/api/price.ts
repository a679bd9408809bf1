import { keyed, on, type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import type { Owing, Payer, Priced, View } from "./types";

const key = (view: View) => ["price", view.job.id, view.job.pulse];

/** What the job costs, line by line. */
export const usePrice = (view: View, enabled: boolean) =>
	useRead<Priced>(
		key(view),
		() => got(api.GET("/api/jobs/{id}/price", { params: on(view) })),
		{ enabled, placeholderData: (before) => before },
	);

export const useAdjust = (view: View) =>
	useWrite(
		(body: Sent<"/api/jobs/{id}/price", "put">): Promise<Priced> =>
			got(api.PUT("/api/jobs/{id}/price", { params: on(view), body })),
		{ is: key(view), moved: [["price", view.job.id]] },
	);

/** A quote, an invoice, or an invoice taken back. */
export const useWriteBill = (view: View) =>
	useWrite(
		(body: Sent<"/api/jobs/{id}/bills", "post">, once): Promise<Priced> =>
			got(
				api.POST("/api/jobs/{id}/bills", {
					params: { ...on(view), ...keyed(once) },
					body,
				}),
			),
		{ is: key(view), asks: [["owing"]] },
	);

/** Money that came, or that was given back. */
export const usePay = (view: View) =>
	useWrite(
		(body: Sent<"/api/jobs/{id}/payments", "post">, once): Promise<Priced> =>
			got(
				api.POST("/api/jobs/{id}/payments", {
					params: { ...on(view), ...keyed(once) },
					body,
				}),
			),
		{ is: key(view), asks: [["owing"]], refused: [["price", view.job.id]] },
	);

/** Who pays for the job. */
export const usePayer = (view: View) =>
	useWrite(
		(body: Payer): Promise<Priced> =>
			got(api.PUT("/api/jobs/{id}/payer", { params: on(view), body })),
		{ is: key(view), moved: [["price", view.job.id]] },
	);

/** What is open, and what is to be given back; an owner's to read. */
export const useOwing = (enabled = true) =>
	useRead<Owing[]>(["owing"], () => got(api.GET("/api/owing")), { enabled });
