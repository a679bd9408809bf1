import type { ColumnProps } from "../column";
import { ChooseStation } from "./ChooseStation";

/** Choose: what decides between the panes. */
export default function Column({ view, steps }: ColumnProps) {
	return (
		<>
			<ChooseStation view={view} />
			{steps}
		</>
	);
}
