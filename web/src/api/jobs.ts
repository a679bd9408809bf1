import {
	useInfiniteQuery,
	useQuery,
	useQueryClient,
} from "@tanstack/react-query";
import { useEffect } from "react";
import { keyed, on, type Sent, useJobWrite, useRead, useWrite } from "./call";
import { api, got } from "./client";
import { useMoments } from "./lengths";
import type { Refused } from "./refused";
import type { View } from "./types";

/** How often a screen asks whether somebody else changed the job, ms. */
const pulseEvery = 2500;

/** How many jobs a list is given at once. */
const pageSize = 100;

/** The number of a job in an address; 0, which no job has, for what is none. */
export const jobNumber = (id: string) =>
	/^\d{1,15}$/.test(id) ? Number(id) : 0;

/** A job by its number, with the pane that the address names, 0 for its first. */
export function useJob(id: number, pane: number) {
	const client = useQueryClient();
	const job = useQuery<View, Refused>({
		queryKey: ["job", id, pane],
		queryFn: () =>
			got(
				api.GET("/api/jobs/{id}", {
					params: { path: { id }, query: { pane } },
				}),
			),
		// Whoever shows it may load after the answer has come, and has then asked for nothing yet.
		notifyOnChangeProps: ["data", "error", "status"],
	});
	const pulse = useRead(
		["pulse", id],
		() => got(api.GET("/api/jobs/{id}/pulse", { params: { path: { id } } })),
		{ refetchInterval: pulseEvery, enabled: job.isSuccess },
	);
	const seen = job.data?.job.pulse;
	const now = pulse.data?.pulse;
	useEffect(() => {
		if (seen !== undefined && now !== undefined && now > seen) {
			void client.invalidateQueries({ queryKey: ["job", id] });
		}
	}, [client, id, seen, now]);
	return job;
}

/** The job as it stands now. */
export const jobNow = (view: View) =>
	got(api.GET("/api/jobs/{id}", { params: on(view) }));

/** All jobs with these words, the newest first, some at a time. */
export function useJobs(
	words: string,
	state: "" | "open" | "signed" | "withdrawn",
) {
	return useInfiniteQuery({
		queryKey: ["jobs", words, state],
		queryFn: ({ pageParam }) =>
			got(
				api.GET("/api/jobs", {
					params: {
						query: { words, state, before: pageParam, most: pageSize },
					},
				}),
			),
		initialPageParam: 0,
		getNextPageParam: (last) =>
			last.length === pageSize ? last.at(-1)?.id : undefined,
	});
}

/** Open jobs with these words, to choose from. */
export const useOpenJobs = (words: string) =>
	useRead(
		["jobs", "open", words],
		() =>
			got(
				api.GET("/api/jobs", {
					params: { query: { words, state: "open", most: 30 } },
				}),
			),
		{ placeholderData: (before) => before },
	);

/**
 * Takes a pane in. The key comes with what was typed, so that a draft that is sent again is one
 * job; `promised` is what was typed for the time.
 */
export function useTakeIn() {
	const moments = useMoments();
	return useWrite(
		async ({
			key,
			promised,
			...body
		}: Sent<"/api/jobs", "post"> & {
			key: string;
			promised: string;
		}): Promise<{ id: number }> =>
			got(
				api.POST("/api/jobs", {
					params: keyed(key),
					body: {
						...body,
						promised_at: await moments.of("promised_at", promised),
					},
				}),
			),
	);
}

/** People who were here before. */
export const useCustomers = (words: string, enabled: boolean) =>
	useRead(
		["customers", words],
		() => got(api.GET("/api/customers", { params: { query: { words } } })),
		{ enabled: enabled && words.length > 1 },
	);

/** A job that was written down elsewhere. */
export const useCarried = () =>
	useWrite(
		(body: Sent<"/api/jobs/carried", "post">, once): Promise<{ id: number }> =>
			got(api.POST("/api/jobs/carried", { params: keyed(once), body })),
		{ asks: [["jobs"]] },
	);

/** The same job once more: with its work, or its facts alone. */
export const useCopy = (view: View) =>
	useWrite(
		(how: "again" | "copy", once): Promise<{ id: number }> => {
			const call = {
				params: { path: { id: view.job.id }, ...keyed(once) },
				body: {},
			};
			return got(
				how === "again"
					? api.POST("/api/jobs/{id}/again", call)
					: api.POST("/api/jobs/{id}/copy", call),
			);
		},
		{ asks: [["jobs"]] },
	);

/** The job's story, place and promise; `promised` is a time as it was typed. */
export function useChangeJob(view: View) {
	const moments = useMoments();
	return useJobWrite(
		view,
		async ({
			promised,
			...body
		}: Sent<"/api/jobs/{id}", "put"> & { promised?: string }) =>
			got(
				api.PUT("/api/jobs/{id}", {
					params: on(view),
					body:
						promised === undefined
							? body
							: {
									...body,
									promised_at: await moments.of("promised_at", promised),
								},
				}),
			),
	);
}

type Wait = Sent<"/api/jobs/{id}/wait", "put">;

export const putWait = (view: View, body: Wait) =>
	got(api.PUT("/api/jobs/{id}/wait", { params: on(view), body }));

/** What the pane waits for; `until` is a time as it was typed. */
export function useWait(view: View) {
	const moments = useMoments();
	return useJobWrite(
		view,
		async ({ until, ...body }: Wait & { until?: string }) =>
			putWait(
				view,
				until === undefined
					? body
					: { ...body, waits_until: await moments.of("waits_until", until) },
			),
	);
}

export const useUnit = (view: View) =>
	useJobWrite(view, (unit: "mm" | "in") =>
		got(api.PUT("/api/jobs/{id}/unit", { params: on(view), body: { unit } })),
	);

export const useCustomer = (view: View) =>
	useJobWrite(view, (body: Sent<"/api/jobs/{id}/customer", "put">) =>
		got(api.PUT("/api/jobs/{id}/customer", { params: on(view), body })),
	);

const path = (view: View) => ({ path: { id: view.job.id } });

export const useWithdraw = (view: View) =>
	useJobWrite(view, (why: string) =>
		got(
			api.PUT("/api/jobs/{id}/withdrawn", {
				params: path(view),
				body: { why },
			}),
		),
	);

export const useTakeUp = (view: View) =>
	useJobWrite(view, (_: undefined) =>
		got(api.DELETE("/api/jobs/{id}/withdrawn", { params: path(view) })),
	);

/** Who did what, and when. */
export const useHistory = (view: View, enabled: boolean) =>
	useRead(
		["history", view.job.id],
		() => got(api.GET("/api/jobs/{id}/history", { params: path(view) })),
		{ enabled, staleTime: 0 },
	);

/** What to take along. */
export const useVan = (view: View, enabled: boolean) =>
	useRead(
		["van", view.job.id, view.job.pulse],
		() => got(api.GET("/api/jobs/{id}/van", { params: path(view) })),
		{ enabled },
	);

/** What came of such choices in this shop. */
export const useExperience = (view: View) =>
	useRead(
		["experience", view.job.id, view.pane.id],
		() => got(api.GET("/api/jobs/{id}/experience", { params: on(view) })),
		{ staleTime: 60_000 },
	);

/** The same object through the years. */
export const useThroughTime = (view: View) =>
	useRead(
		["through", view.job.id],
		() => got(api.GET("/api/jobs/{id}/through", { params: path(view) })),
		{ staleTime: 60_000 },
	);
