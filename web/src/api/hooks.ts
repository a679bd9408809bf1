import {
	type UseMutationResult,
	useMutation,
	useQuery,
	useQueryClient,
} from "@tanstack/react-query";
import { useEffect } from "react";
import { api, got, type Refused } from "./client";
import type { View } from "./types";

/** How often a screen asks whether somebody else changed the job, ms. */
const pulseEvery = 2500;

export function useSession() {
	return useQuery({
		queryKey: ["session"],
		queryFn: () => got(api.GET("/api/session")),
	});
}

export function useCatalogue() {
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

/** A job, kept fresh by its pulse: two people on one job see each other. */
export function useJob(id: number) {
	const client = useQueryClient();
	const job = useQuery<View, Refused>({
		queryKey: ["job", id],
		queryFn: () => got(api.GET("/api/jobs/{id}", { params: { path: { id } } })),
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

/** A write on a job: its answer is the job as it is now. */
export function useJobWrite<In>(
	id: number,
	call: (input: In) => Promise<View>,
): UseMutationResult<View, Refused, In> {
	const client = useQueryClient();
	return useMutation<View, Refused, In>({
		mutationFn: call,
		onSuccess: (view) => {
			client.setQueryData(["job", id], view);
			void client.invalidateQueries({ queryKey: ["today"] });
		},
		onError: (e) => {
			if (e.conflict) {
				void client.invalidateQueries({ queryKey: ["job", id] });
			}
		},
	});
}
