import type { ColumnProps } from "../column";
import { Guests } from "../refit/Guests";
import { ScrewTurns } from "./ScrewTurns";
import { Touch } from "./Touch";

/** Prepare and Set: the steps, the screws, what touches the pane. */
export default function Column({ view, steps, station }: ColumnProps) {
	return (
		<>
			{steps}
			{station === "set" && <ScrewTurns view={view} />}
			<Guests view={view} />
			<Touch view={view} />
		</>
	);
}
