import {
	type QueryClient,
	type UseMutationResult,
	useMutation,
	useQuery,
	useQueryClient,
} from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { api, got, Refused } from "./client";
import type { View } from "./types";

/** How often a screen asks whether somebody else changed the job, ms. */
const pulseEvery = 2500;

export function useSession() {
	return useQuery({
		queryKey: ["session"],
		queryFn: () => got(api.GET("/api/session")),
		refetchInterval: ({ state: { error } }) =>
			isFilling(error) || isAway(error) ? 1000 : false,
	});
}

/** A program that does not answer: it may be starting. */
function isAway(error: unknown) {
	return error instanceof Refused && error.problem.status === 0;
}

/** A made-up shop that is still being filled. */
export function isFilling(error: unknown): error is Refused {
	return error instanceof Refused && error.problem.filled !== undefined;
}

/** How often a screen asks whether the shop's own values have changed, ms. */
const bookEvery = 10_000;

export function useCatalogue() {
	const client = useQueryClient();
	const book = useQuery({
		queryKey: ["book revision"],
		queryFn: () => got(api.GET("/api/book/revision")),
		refetchInterval: bookEvery,
	});
	const revision = book.data?.revision;
	const seen = useRef(revision);
	useEffect(() => {
		if (seen.current !== undefined && seen.current !== revision) {
			void client.invalidateQueries({ queryKey: ["catalogue"] });
		}
		seen.current = revision;
	}, [client, revision]);
	return useQuery({
		queryKey: ["catalogue"],
		queryFn: () => got(api.GET("/api/catalogue")),
		staleTime: Number.POSITIVE_INFINITY,
	});
}

export function useToday() {
	return useQuery({
		queryKey: ["today"],
		queryFn: () => got(api.GET("/api/today")),
		refetchInterval: 60_000,
	});
}

/** The job and the pane of a call, from what lies on the table. */
export function on<More extends object>(view: View, more?: More) {
	return {
		path: { id: view.job.id, ...(more as More) },
		query: { pane: view.pane.id },
	};
}

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
	});
	const pulse = useQuery({
		queryKey: ["pulse", id],
		queryFn: () =>
			got(api.GET("/api/jobs/{id}/pulse", { params: { path: { id } } })),
		refetchInterval: pulseEvery,
		enabled: job.isSuccess,
	});
	const seen = job.data?.job.pulse;
	const now = pulse.data?.pulse;
	useEffect(() => {
		if (seen !== undefined && now !== undefined && now > seen) {
			void client.invalidateQueries({ queryKey: ["job", id] });
		}
	}, [client, id, seen, now]);
	return job;
}

/** Puts a job on the screen as it is now; its other panes are read again. */
export function keepView(client: QueryClient, view: View) {
	const id = view.job.id;
	const fresh = [view.pane.id, ...(view.pane.number === 1 ? [0] : [])];
	for (const pane of fresh) client.setQueryData(["job", id, pane], view);
	void client.invalidateQueries({
		queryKey: ["job", id],
		predicate: (q) => !fresh.includes(Number(q.queryKey[2])),
	});
	void client.invalidateQueries({ queryKey: ["today"] });
}

/** A write on a job: its answer is the job as it is now. */
export function useJobWrite<In>(
	view: View,
	call: (input: In) => Promise<View>,
): UseMutationResult<View, Refused, In> {
	const client = useQueryClient();
	return useMutation<View, Refused, In>({
		mutationFn: call,
		onSuccess: (next) => keepView(client, next),
		onError: (e) => {
			if (e.conflict) {
				void client.invalidateQueries({ queryKey: ["job", view.job.id] });
			}
		},
	});
}
