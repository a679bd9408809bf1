import type { ColumnProps } from "../column";
import { Guests } from "../refit/Guests";
import { Rebuild } from "../refit/Rebuild";
import { ScrewTurns } from "./ScrewTurns";
import { Touch } from "./Touch";

/** Prepare and Set: the steps, the screws, what goes in here, what touches the pane. */
export default function Column({ view, steps, station }: ColumnProps) {
	return (
		<>
			{steps}
			<Rebuild view={view} station={station} />
			{station === "set" && <ScrewTurns view={view} />}
			<Guests view={view} />
			<Touch view={view} />
		</>
	);
}
