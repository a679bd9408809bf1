import { api, got } from "../../api/client";
import { on, useJobWrite } from "../../api/hooks";
import type { Evidence, View } from "../../api/types";

type Seen = {
	evidence: Evidence;
	old_pane: Evidence;
	cause: string;
	behind: string[];
	version: number;
};

/** What was seen of the break and of the old pane, and the ways to note more. */
export function useDiagnosis(view: View) {
	const { pane } = view;
	const write = useJobWrite<Seen>(view, (body) =>
		got(
			api.PUT("/api/jobs/{id}/diagnosis", {
				params: on(view),
				body,
			}),
		),
	);
	const now: Seen = {
		evidence: pane.diagnosis?.evidence ?? {},
		old_pane: pane.diagnosis?.old_pane ?? {},
		cause: pane.diagnosis?.cause ?? "",
		behind: pane.diagnosis?.behind ?? [],
		version: pane.diagnosis?.version ?? 0,
	};
	function answered(
		group: "evidence" | "old_pane",
		question: string,
		answer: string,
	) {
		const next = { ...now[group] };
		if (answer === "") delete next[question];
		else next[question] = answer;
		write.mutate({ ...now, [group]: next });
	}
	return {
		...now,
		answered,
		settle: (cause: string) => write.mutate({ ...now, cause, behind: [] }),
		settleBehind: (behind: string[]) => write.mutate({ ...now, behind }),
		error: write.error,
		pending: write.isPending,
		closed: view.job.signed,
	};
}

export type Diagnosis = ReturnType<typeof useDiagnosis>;
