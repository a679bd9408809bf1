import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, got, type Refused } from "../../api/client";
import type { Better, Days, Tried, WhatIf } from "../../api/types";

const key = ["days"];

/** The days as they stand, and what can be done to them. */
export function useDays() {
	const client = useQueryClient();
	const days = useQuery<Days, Refused>({
		queryKey: key,
		queryFn: () => got(api.GET("/api/days")),
		refetchInterval: 60_000,
	});
	const put = (d: Days) => {
		client.setQueryData(key, d);
		for (const k of ["today", "jobs", "job", "slipping", "weeks"])
			void client.invalidateQueries({ queryKey: [k] });
	};
	const take = useMutation<Days, Refused>({
		mutationFn: () => got(api.POST("/api/days")),
		onSuccess: put,
	});
	const unpin = useMutation<Days, Refused, string>({
		mutationFn: (step) =>
			got(api.DELETE("/api/days/pins", { params: { query: { step } } })),
		onSuccess: put,
	});
	const tried = useMutation<Tried, Refused, WhatIf>({
		mutationFn: (body) => got(api.POST("/api/days/try", { body })),
	});
	const so = useMutation<Days, Refused, { what: WhatIf; seen: number }>({
		mutationFn: (body) => got(api.POST("/api/days/so", { body })),
		onSuccess: put,
		onError: () => void client.invalidateQueries({ queryKey: key }),
	});
	// What planning anew would bring is searched for now and then, not at each look.
	const better = useQuery<Better, Refused>({
		queryKey: ["better days", days.data?.version],
		queryFn: () => got(api.GET("/api/days/better")),
		enabled: days.data !== undefined && days.data.jobs.length > 0,
		staleTime: 5 * 60_000,
	});
	return { better: better.data, days, take, unpin, tried, so };
}
