import { type Sent, useRead, useSum, useWrite } from "./call";
import { api, got } from "./client";
import type {
	AdhesiveDay,
	Better,
	Days,
	DaysLink,
	DayWays,
	ForecastKept,
	Slip,
	Tried,
	WhatIf,
} from "./types";

const key = ["days"];
const shown = [["today"], ["jobs"], ["job"], ["slipping"], ["weeks"]];

export const useToday = () =>
	useRead(["today"], () => got(api.GET("/api/today")), {
		refetchInterval: 60_000,
	});

/** The days as they stand. */
export const useDaysNow = () =>
	useRead<Days>(key, () => got(api.GET("/api/days")), {
		refetchInterval: 60_000,
	});

/** The days as they stand, and what can be done to them. */
export function useDays() {
	const days = useDaysNow();
	const take = useWrite(
		(_: undefined): Promise<Days> => got(api.POST("/api/days")),
		{ is: key, asks: shown },
	);
	const unpin = useWrite(
		(step: string): Promise<Days> =>
			got(api.DELETE("/api/days/pins", { params: { query: { step } } })),
		{ is: key, asks: shown },
	);
	const tried = useWrite(
		(body: WhatIf): Promise<Tried> => got(api.POST("/api/days/try", { body })),
	);
	const so = useWrite(
		(body: { what: WhatIf; seen: number }): Promise<Days> =>
			got(api.POST("/api/days/so", { body })),
		{ is: key, asks: shown, refused: [key] },
	);
	// What planning anew would bring is searched for now and then, not at each look.
	const better = useRead<Better>(
		["better days", days.data?.version],
		() => got(api.GET("/api/days/better")),
		{
			enabled: days.data !== undefined && days.data.jobs.length > 0,
			staleTime: 5 * 60_000,
		},
	);
	return { better: better.data, days, take, unpin, tried, so };
}

/** A time is promised to the customer. */
export const usePromise = (job: number) =>
	useWrite(
		(at: string): Promise<Days> =>
			got(
				api.PUT("/api/days/promises/{job}", {
					params: { path: { job } },
					body: { at },
				}),
			),
		// Somebody changed the days, or they are fuller now: they are shown as they are.
		{
			is: key,
			asks: [["today"], ["jobs"], ["job"], ["slipping"]],
			refused: [key],
		},
	);

/** What can be promised at the door. */
export const useDayOffer = (body: Sent<"/api/days/offer", "post">) =>
	useSum(["day offer", body], () => got(api.POST("/api/days/offer", { body })));

export const useForecast = () =>
	useRead<ForecastKept>(["forecast"], () => got(api.GET("/api/forecast")));

export const useChangeForecast = () =>
	useWrite(
		(text: string | null): Promise<ForecastKept> =>
			got(
				text === null
					? api.DELETE("/api/forecast")
					: api.PUT("/api/forecast", { body: { text } }),
			),
		{ is: ["forecast"], asks: [key] },
	);

/** The address under which a calendar reads one's own days. */
export const useDaysLink = () =>
	useRead<DaysLink>(["days", "link"], () => got(api.GET("/api/days/link")));

export const useChangeDaysLink = () =>
	useWrite(
		(what: "make" | "withdraw"): Promise<DaysLink> =>
			got(
				what === "make"
					? api.POST("/api/days/link")
					: api.DELETE("/api/days/link"),
			),
		{ is: ["days", "link"] },
	);

/** Promises that slip. */
export const useSlipping = () =>
	useRead<Slip[]>(["slipping"], () => got(api.GET("/api/days/slipping")), {
		refetchInterval: 5 * 60_000,
	});

/** What would save a promise. */
export const useWays = (job: number) =>
	useRead<DayWays>(["slipping", "ways", job], () =>
		got(api.GET("/api/days/jobs/{job}/ways", { params: { path: { job } } })),
	);

/** What hardens in the whole shop. */
export const useAdhesiveDay = (every: number) =>
	useRead<AdhesiveDay>(
		["adhesive day"],
		() => got(api.GET("/api/adhesive-day")),
		{ refetchInterval: every },
	);
