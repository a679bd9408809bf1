import { useRead, useWrite } from "./call";
import { api, got } from "./client";
import type { Outgoing as Goes } from "./types";

const key = (id: number) => ["outgoing", id];

/** What goes out with a signed job. */
export const useOutgoing = (id: number) =>
	useRead(key(id), () =>
		got(api.GET("/api/jobs/{id}/passport", { params: { path: { id } } })),
	);

/** The page behind the object's code. */
export const usePassportLink = (id: number) =>
	useWrite(
		(what: "make" | "withdraw"): Promise<Goes> => {
			const call = { params: { path: { id } } };
			return got(
				what === "make"
					? api.POST("/api/jobs/{id}/link", call)
					: api.DELETE("/api/jobs/{id}/link", call),
			);
		},
		{ is: key(id) },
	);

/** Whether a photo is shown on that page. */
export const useShowPhoto = (id: number) =>
	useWrite(
		({ photo, shown }: { photo: number; shown: boolean }): Promise<Goes> =>
			got(
				api.PUT("/api/jobs/{id}/photos/{photo}/shown", {
					params: { path: { id, photo } },
					body: { shown },
				}),
			),
		{ is: key(id) },
	);
