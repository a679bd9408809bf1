import type { View } from "../../../api/types";

export type Where = "bench" | "van" | "yard";

/** Where what hardens stands: its air is asked for. */
export function airPlace(view: View, step: string | undefined): Where | null {
	const cure = (view.pane.cures ?? []).find((c) => c.step === step);
	return cure?.stays[cure.stays.length - 1]?.place ?? null;
}
