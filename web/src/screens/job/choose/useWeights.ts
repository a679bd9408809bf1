import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { api, got } from "../../../api/client";
import { on } from "../../../api/hooks";
import type { View } from "../../../api/types";
import { useDraft } from "../../../app/draft";

export type Weights = Record<string, number>;

/** How much each judgement counts, as this person likes it, and what follows. */
export function useWeights(view: View) {
	const [weights, set, clear] = useDraft<Weights>("weights", {});
	const asked = useDeferredValue(weights);
	const moved = Object.keys(asked).length > 0;
	const tried = useQuery({
		queryKey: ["weigh", view.job.id, view.pane.id, view.job.pulse, asked],
		queryFn: () =>
			got(
				api.POST("/api/jobs/{id}/weigh", {
					params: on(view),
					body: { weights: asked },
				}),
			),
		enabled: moved,
		placeholderData: (before) => before,
		retry: false,
	});
	return {
		weights,
		moved,
		choice: (moved ? tried.data : undefined) ?? view.reckoning.choice,
		set: (k: string, v: number) => set({ ...weights, [k]: v }),
		clear,
	};
}
