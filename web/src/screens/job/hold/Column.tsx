import type { ColumnProps } from "../column";
import { Guests } from "../refit/Guests";
import { HoldStation } from "./HoldStation";

/** Hold: clocks against the weather. */
export default function Column({ view, steps }: ColumnProps) {
	return (
		<>
			<HoldStation key={view.pane.id} view={view} />
			{steps}
			<Guests view={view} />
		</>
	);
}
