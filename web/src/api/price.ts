import { keyed, on, type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import type { Owing, Payer, Priced, QuotePage, Said, View } from "./types";

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

/** The page for the customer's yes is made, withdrawn, or answered on paper. */
export const useAsked = (view: View) =>
	useWrite(
		(what: "ask" | "stop" | Said): Promise<Priced> => {
			const params = on(view);
			if (what === "ask")
				return got(api.POST("/api/jobs/{id}/asked", { params }));
			if (what === "stop")
				return got(api.DELETE("/api/jobs/{id}/asked", { params }));
			return got(api.PUT("/api/jobs/{id}/asked", { params, body: what }));
		},
		{ is: key(view), asks: [["job", view.job.id], ["today"], ["jobs"]] },
	);

/** A picture is put on the page for the customer, or taken off it. */
export const useShowOnQuote = (view: View) =>
	useWrite(
		({ photo, shown }: { photo: number; shown: boolean }): Promise<Priced> =>
			got(
				api.PUT("/api/jobs/{id}/asked/photos/{photo}", {
					params: on(view, { photo }),
					body: { shown },
				}),
			),
		{ is: key(view) },
	);

const quote = (token: string) => ["quote", token];

/** A quote, for whoever has its address. */
export const useQuotePage = (token: string) =>
	useRead<QuotePage>(
		quote(token),
		() => got(api.GET("/api/quote/{token}", { params: { path: { token } } })),
		{ retry: false, staleTime: 60_000 },
	);

export const useAnswerQuote = (token: string) =>
	useWrite(
		(body: Said): Promise<QuotePage> =>
			got(
				api.PUT("/api/quote/{token}/answer", {
					params: { path: { token } },
					body,
				}),
			),
		{ is: quote(token) },
	);
