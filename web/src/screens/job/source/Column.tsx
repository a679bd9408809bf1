import type { ColumnProps } from "../column";
import { OrderLine } from "../measure/OrderLine";
import { SourceStation } from "./SourceStation";

/** Source: what is missing, prices and orders. */
export default function Column({ view, steps }: ColumnProps) {
	return (
		<>
			<OrderLine view={view} />
			<SourceStation view={view} />
			{steps}
		</>
	);
}
