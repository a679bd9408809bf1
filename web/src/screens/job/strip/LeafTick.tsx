import { useChangeObject } from "../../../api/panes";
import type { View } from "../../../api/types";
import { Refusal } from "../../../parts/Refusal";
import { Tick } from "../../../parts/Tick";

/** A door that comes off its hinges has its own work: off, hung, set, proved. */
export function LeafTick({ view }: { view: View }) {
	const { object } = view.job;
	const write = useChangeObject(view);
	return (
		<div className="mt-3">
			<Tick
				checked={object.leaf ?? false}
				disabled={view.job.signed || write.isPending}
				onChange={(leaf) => write.mutate({ ...object, leaf })}
			>
				Its door or leaf comes off its hinges
			</Tick>
			<Refusal error={write.error} />
		</div>
	);
}
