import { putDiagnosis, useDiagnosisWrite } from "../../../api/panes";
import type { Evidence, View } from "../../../api/types";

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
	const write = useDiagnosisWrite(view);
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
		done?: () => void,
	) {
		const next = { ...now[group] };
		if (answer === "") delete next[question];
		else next[question] = answer;
		write.mutate({ ...now, [group]: next }, { onSuccess: done });
	}
	return {
		...now,
		/** What was noted before, at the version that a view has now: the way back. */
		before: (then: View) =>
			putDiagnosis(then, {
				...now,
				version: then.pane.diagnosis?.version ?? 0,
			}),
		answered,
		settle: (cause: string, done?: () => void) =>
			write.mutate({ ...now, cause, behind: [] }, { onSuccess: done }),
		settleBehind: (behind: string[]) => write.mutate({ ...now, behind }),
		error: write.error,
		pending: write.isPending,
		closed: view.job.signed,
	};
}

export type Diagnosis = ReturnType<typeof useDiagnosis>;
