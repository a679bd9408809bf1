import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { api, got, newKey, type Refused } from "../../api/client";
import type { Rounds, RoundTried, Site } from "../../api/types";

const key = ["rounds"];

export type Wanted = { day: string; people: number[]; jobs: number[] };

/** Rounds that were taken, and one that is laid out. */
export function useRounds() {
	const client = useQueryClient();
	// One key a wish, so that a retry never takes the round twice.
	const once = useRef(newKey());
	const rounds = useQuery<Rounds, Refused>({
		queryKey: key,
		queryFn: () => got(api.GET("/api/rounds")),
	});
	const put = (r: Rounds) => {
		client.setQueryData(key, r);
		for (const k of ["days", "slipping", "today"])
			void client.invalidateQueries({ queryKey: [k] });
	};
	const tried = useMutation<RoundTried, Refused, Wanted>({
		mutationFn: (body) => got(api.POST("/api/rounds/try", { body })),
		onMutate: () => {
			once.current = newKey();
		},
	});
	const take = useMutation<Rounds, Refused, Wanted>({
		mutationFn: (body) =>
			got(
				api.POST("/api/rounds", {
					params: { header: { "Idempotency-Key": once.current } },
					body,
				}),
			),
		onSuccess: put,
	});
	const drop = useMutation<Rounds, Refused, number>({
		mutationFn: (id) =>
			got(api.DELETE("/api/rounds/{id}", { params: { path: { id } } })),
		onSuccess: put,
	});
	const site = useMutation<Rounds, Refused, Site>({
		mutationFn: (body) =>
			got(
				api.PUT("/api/jobs/{id}/site", {
					params: { path: { id: body.job } },
					body,
				}),
			),
		onSuccess: put,
	});
	return { rounds, tried, take, drop, site };
}
