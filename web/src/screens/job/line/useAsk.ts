import { useJobWrite } from "../../../api/call";
import { postCure } from "../../../api/hold";
import { jobNow, putWait } from "../../../api/jobs";
import { newKey } from "../../../api/key";
import { putChoice } from "../../../api/panes";
import type { Refused } from "../../../api/refused";
import {
	openCheck,
	putCheck,
	putCheckOnAll,
	putScrews,
	putStep,
	putStepOnAll,
} from "../../../api/steps";
import { putBack } from "../../../api/strip";
import type { Ask, View } from "../../../api/types";
import { useDiagnosis } from "../assess/useDiagnosis";

type Call = (view: View) => Promise<View>;

/** How the last answer is taken back: from the job as it was after it. */
export type Undo = { says: string; call: Call };

const step =
	(key: string, outcome: "done" | "open", dries = false): Call =>
	(view) =>
		putStep(view, key, dries ? { outcome, dries } : { outcome });

/** Several steps, one after another; undone from the last. */
const steps =
	(keys: string[], outcome: "done" | "open"): Call =>
	async (view) => {
		let now = view;
		for (const key of keys) now = await step(key, outcome)(now);
		return now;
	};

const screws =
	(by: number): Call =>
	(view) =>
		putScrews(view, by);

const back =
	(entry: string, pieces: number): Call =>
	(view) =>
		putBack(view, {
			entry,
			in: pieces,
			version: view.job.strip.find((r) => r.entry.id === entry)?.version ?? 0,
		});

const passed =
	(check: string, read?: string): Call =>
	(view) =>
		putCheck(view, check, {
			outcome: "pass",
			...(read ? { read: [read] } : {}),
		});

const unchecked =
	(check: string): Call =>
	(view) =>
		openCheck(view, check);

const waiting =
	(waitsFor: string, until?: string): Call =>
	(view) =>
		putWait(view, {
			waits_for: waitsFor,
			waits_until: until,
			version: view.pane.version,
		});

const settled =
	(material: string, thickness: number, all = false): Call =>
	(view) =>
		putChoice(view, { material, thickness, all, seen: view.pane.choice?.id });

/** The clock of what was laid here, the usual where nothing is said, from now on. */
const laid =
	(key: string, ask: Ask, adhesive: string | undefined): Call =>
	async (view) => {
		await postCure(view, key, {
			step: ask.key ?? "",
			adhesive: adhesive ?? ask.answers?.[0]?.id ?? "",
			width: ask.number ?? 0,
			edges: ask.number ? 2 : 0,
			place: "bench",
			all: true,
		});
		return jobNow(view);
	};

/** How many one answer may take together: panes of the object, a run of steps, or a pass of screws. */
export function together(ask: Ask): number {
	if (ask.panes) return ask.panes;
	if (ask.kind === "step") return ask.run?.length ?? 0;
	if (ask.kind === "screw") return (ask.of ?? 0) - (ask.at ?? 0) + 1;
	return 0;
}

/** The same for all that may be taken together. */
function allOf(ask: Ask): [Call, Call | null] {
	const key = ask.key ?? "";
	if (ask.panes && ask.kind === "check")
		return [(view) => putCheckOnAll(view, key, { outcome: "pass" }), null];
	if (ask.panes && ask.kind === "settle")
		return [settled(key, ask.number ?? 0, true), null];
	if (ask.panes) return [(view) => putStepOnAll(view, key), null];
	if (ask.kind === "screw") {
		const n = together(ask);
		return [screws(n), screws(-n)];
	}
	const keys = ask.run ?? [];
	return [steps(keys, "done"), steps([...keys].reverse(), "open")];
}

/** What answers the one next thing, and what takes the answer back. */
function callsOf(ask: Ask, view: View, value?: string): [Call, Call | null] {
	const key = ask.key ?? "";
	switch (ask.kind) {
		case "screw":
			return [screws(1), screws(-1)];
		case "back": {
			const had = ask.at ?? 0;
			return [back(key, ask.of ?? 1), back(key, had)];
		}
		case "check":
			return [passed(key, value), unchecked(key)];
		case "arrived":
			return [
				waiting(""),
				waiting(view.pane.waits_for, view.pane.waits_until ?? undefined),
			];
		case "laid":
			return [laid(newKey(), ask, value), null];
		case "settle":
			return [settled(key, ask.number ?? 0), null];
		default:
			// Painted on all at once where all are done at once.
			if (value && ask.panes)
				return [(view) => putStepOnAll(view, key, true), null];
			return [step(key, "done", value !== undefined), step(key, "open")];
	}
}

/**
 * The one next thing of a station, how it is answered, and the way back. Where
 * an answer leaves nothing open here, the screen goes on to where something is.
 */
export function useAsk(
	view: View,
	ask: Ask,
	[undo, setUndo]: [Undo | null, (u: Undo | null) => void],
	onward: (station: string, pane?: number) => void,
) {
	const diagnosis = useDiagnosis(view);
	const write = useJobWrite<Call>(view, (call) => call(view));
	function keep([call, away]: [Call, Call | null]) {
		write.mutate(call, {
			onSuccess: (next) => {
				setUndo(away && { says: ask.says, call: away });
				const then = next.asks.find((a) => a.station === ask.station);
				if (then?.kind === "go" && then.to) onward(then.to, then.pane);
			},
		});
	}
	function answerAll() {
		if (write.isPending || view.job.signed || together(ask) < 2) return;
		keep(allOf(ask));
	}
	function answer(value?: string) {
		if (write.isPending || view.job.signed) return;
		if (ask.kind === "cause") {
			diagnosis.settle(ask.key ?? "", seen);
			return;
		}
		keep(callsOf(ask, view, value));
	}
	/** What was seen is taken back to what was noted before it. */
	function seen() {
		setUndo({ says: ask.says, call: diagnosis.before });
	}
	function look(id: string) {
		diagnosis.answered("evidence", ask.key ?? "", id, seen);
	}
	function takeBack() {
		if (!undo || write.isPending) return;
		write.mutate(undo.call, { onSuccess: () => setUndo(null) });
	}
	return {
		answer,
		answerAll,
		look,
		undo,
		takeBack,
		pending: write.isPending || diagnosis.pending,
		error: (write.error ?? diagnosis.error) as Refused | null,
	};
}

export type AskTools = ReturnType<typeof useAsk>;
