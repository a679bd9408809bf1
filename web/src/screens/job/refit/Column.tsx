import type { ColumnProps } from "../column";
import { Touch } from "../set/Touch";
import { Guests } from "./Guests";
import { Rebuild } from "./Rebuild";

/** Refit: the strip log, backwards. */
export default function Column({ view, steps, station }: ColumnProps) {
	return (
		<>
			{steps}
			<Guests view={view} />
			<Touch view={view} />
			<Rebuild view={view} station={station} />
		</>
	);
}
