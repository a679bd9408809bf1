import { api, got } from "../../api/client";
import { useJobWrite } from "../../api/hooks";
import type { Evidence, View } from "../../api/types";

type Seen = {
	evidence: Evidence;
	old_pane: Evidence;
	cause: string;
	version: number;
};

/** What was seen of the break and of the old pane, and the ways to note more. */
export function useDiagnosis(view: View) {
	const { job } = view;
	const write = useJobWrite<Seen>(job.id, (body) =>
		got(
			api.PUT("/api/jobs/{id}/diagnosis", {
				params: { path: { id: job.id } },
				body,
			}),
		),
	);
	const now: Seen = {
		evidence: job.diagnosis?.evidence ?? {},
		old_pane: job.diagnosis?.old_pane ?? {},
		cause: job.diagnosis?.cause ?? "",
		version: job.diagnosis?.version ?? 0,
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
		settle: (cause: string) => write.mutate({ ...now, cause }),
		error: write.error,
		pending: write.isPending,
		closed: job.signed,
	};
}

export type Diagnosis = ReturnType<typeof useDiagnosis>;
