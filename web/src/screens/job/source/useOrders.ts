import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, got, type Refused } from "../../../api/client";
import { on } from "../../../api/hooks";
import type { Orders, View } from "../../../api/types";

/** What was ordered for the job; it follows the job's own changes. */
export function useOrders(view: View) {
	return useQuery<Orders, Refused>({
		queryKey: ["orders", view.job.id, view.pane.id, view.job.pulse],
		queryFn: () => got(api.GET("/api/jobs/{id}/orders", { params: on(view) })),
		placeholderData: (before) => before,
	});
}

/** A write that answers with the orders; the job is read again, for its waits. */
export function useOrderWrite<In>(
	view: View,
	write: (v: In) => Promise<Orders>,
) {
	const client = useQueryClient();
	return useMutation<Orders, Refused, In>({
		mutationFn: write,
		onSuccess: () => {
			void client.invalidateQueries({ queryKey: ["orders", view.job.id] });
			void client.invalidateQueries({ queryKey: ["job", view.job.id] });
			void client.invalidateQueries({ queryKey: ["offers", view.job.id] });
		},
	});
}
