import { useDeferredValue } from "react";
import { useWeigh } from "../../../api/panes";
import type { View } from "../../../api/types";
import { useDraft } from "../../../app/draft";

export type Weights = Record<string, number>;

/** How much each judgement counts, as this person likes it, and what follows. */
export function useWeights(view: View) {
	const [weights, set, clear] = useDraft<Weights>("weights", {});
	const asked = useDeferredValue(weights);
	const moved = Object.keys(asked).length > 0;
	const tried = useWeigh(view, asked, moved);
	return {
		weights,
		moved,
		choice: (moved ? tried.data : undefined) ?? view.reckoning.choice,
		set: (k: string, v: number) => set({ ...weights, [k]: v }),
		clear,
	};
}
