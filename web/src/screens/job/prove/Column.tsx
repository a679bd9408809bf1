import type { ColumnProps } from "../column";
import { Stops } from "../Stops";
import { ProveStation } from "./ProveStation";

/** Prove: stops, checks and the signature. */
export default function Column({ view, steps }: ColumnProps) {
	return (
		<>
			<Stops view={view} stops={view.stops} />
			{steps}
			<ProveStation view={view} />
		</>
	);
}
