import { later } from "../../../app/later";
import type { ColumnProps } from "../column";
import { Guests } from "../refit/Guests";
import { LeafTick } from "./LeafTick";
import { StripLog } from "./StripLog";

const BothFaces = later(() => import("../assess/BothFaces"), "BothFaces");

/** Strip: what comes off, and in which order it lies. */
export default function Column({ view, steps }: ColumnProps) {
	return (
		<>
			<LeafTick view={view} />
			{steps}
			<Guests view={view} />
			{view.reckoning.road.how === "stick" && (
				<BothFaces key={view.pane.id} view={view} />
			)}
			<StripLog view={view} />
		</>
	);
}
