import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, got, type Refused } from "../../../api/client";
import { on } from "../../../api/hooks";
import type { Hold, View } from "../../../api/types";

/** How often clocks are looked at again, ms. */
const clockEvery = 60_000;

/** What hardens on the pane, with its clocks as they stand now. */
export function useHold(view: View, enabled = true) {
	return useQuery<Hold, Refused>({
		queryKey: ["hold", view.job.id, view.pane.id, view.job.pulse],
		queryFn: () => got(api.GET("/api/jobs/{id}/hold", { params: on(view) })),
		placeholderData: (before) => before,
		enabled,
		refetchInterval: clockEvery,
	});
}

/** A write that answers with what hardens; the job is read again, for its waits. */
export function useHoldWrite<In>(view: View, write: (v: In) => Promise<Hold>) {
	const client = useQueryClient();
	return useMutation<Hold, Refused, In>({
		mutationFn: write,
		onSuccess: () => {
			void client.invalidateQueries({ queryKey: ["hold", view.job.id] });
			void client.invalidateQueries({ queryKey: ["job", view.job.id] });
			void client.invalidateQueries({ queryKey: ["today"] });
		},
	});
}

/** Where the line opens the form of what was laid. */
export const layForm = "#what-was-laid";
