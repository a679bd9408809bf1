import { useEffect, useState } from "react";
import { useCatalogue } from "../../../api/book";
import { useHeldWrite } from "../../../api/panes";
import type { Road, View } from "../../../api/types";
import { RoadFields } from "../../../parts/RoadFields";
import { Sheet } from "../../../parts/Sheet";
import { heldOf } from "./held";
import { Keep } from "./Keep";

/** What is to be done with the pane on the table; it can be changed at any time. */
export function RoadSheet({
	view,
	open,
	onClose,
}: {
	view: View;
	open: boolean;
	onClose: () => void;
}) {
	const catalogue = useCatalogue();
	const [road, setRoad] = useState<Road>(view.pane.road);
	// biome-ignore lint/correctness/useExhaustiveDependencies: only on opening
	useEffect(() => {
		if (open) setRoad(view.pane.road);
	}, [open]);
	const write = useHeldWrite(view);
	const error = (f: string) => write.error?.field(f);
	return (
		<Sheet title="What is to be done" open={open} onClose={onClose}>
			<div className="flex flex-col gap-5">
				<RoadFields
					road={road}
					family={view.reckoning.family}
					catalogue={catalogue.data}
					onChange={setRoad}
					error={error}
				/>
				<p className="text-[0.9375rem] text-ink-2">
					What was read and done stays on the record, whatever is chosen here.
				</p>
				<Keep
					write={write}
					onKeep={() =>
						write.mutate({ ...heldOf(view), road }, { onSuccess: onClose })
					}
				/>
			</div>
		</Sheet>
	);
}
