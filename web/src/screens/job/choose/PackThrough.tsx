import type { View } from "../../../api/types";
import { PackDrawing } from "../../../bench/PackDrawing";

/** The pane's pack cut through with how warm each face gets; nothing where it stands alone. */
export function PackThrough({
	view,
	narrow = false,
}: {
	view: View;
	narrow?: boolean;
}) {
	const { pack } = view.reckoning;
	const { stack } = view.pane;
	const { exposure } = view.job.object;
	if (!pack) return null;
	return (
		<PackDrawing
			panes={(stack.panes ?? []).map((p, n) => ({
				...p,
				thickness: pack.panes[n]?.t ?? p.thickness,
			}))}
			gaps={stack.gaps ?? []}
			cavity={stack.cavity || exposure.steady}
			room={exposure.room}
			result={pack.result}
			here={pack.here}
			narrow={narrow}
		/>
	);
}
