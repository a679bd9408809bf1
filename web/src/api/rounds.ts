import { keyed, type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import type { RoadMap, RoundLoad, Rounds, RoundTried, Site } from "./types";

const key = ["rounds"];
const changes = { is: key, asks: [["days"], ["slipping"], ["today"]] };

export type Wanted = { day: string; people: number[]; jobs: number[] };

/** Rounds that were taken, and one that is laid out. */
export function useRounds() {
	const rounds = useRead<Rounds>(key, () => got(api.GET("/api/rounds")));
	const tried = useWrite(
		(body: Wanted): Promise<RoundTried> =>
			got(api.POST("/api/rounds/try", { body })),
	);
	const take = useWrite(
		(body: Wanted, once): Promise<Rounds> =>
			got(api.POST("/api/rounds", { params: keyed(once), body })),
		changes,
	);
	const drop = useWrite(
		(id: number): Promise<Rounds> =>
			got(api.DELETE("/api/rounds/{id}", { params: { path: { id } } })),
		changes,
	);
	const site = useWrite(
		(body: Site): Promise<Rounds> =>
			got(
				api.PUT("/api/jobs/{id}/site", {
					params: { path: { id: body.job } },
					body,
				}),
			),
		changes,
	);
	return { rounds, tried, take, drop, site };
}

/** What goes into the van for a round. */
export const useLoad = (id: number) =>
	useRead<RoundLoad>(["rounds", "load", id], () =>
		got(api.GET("/api/rounds/{id}/load", { params: { path: { id } } })),
	);

/** How long it takes from place to place. */
export const useRoadMap = () =>
	useRead<RoadMap>(["roads"], () => got(api.GET("/api/roads")));

export const useChangeRoadMap = () =>
	useWrite(
		(body: Sent<"/api/roads", "put">): Promise<RoadMap> =>
			got(api.PUT("/api/roads", { body })),
		{ is: ["roads"], asks: [key, ["days"]] },
	);
