import { lazy, Suspense } from "react";
import type { View } from "../../../api/types";
import { behind } from "../../../app/later";
import { ObjectMap } from "../../../bench/ObjectMap";
import { Boundary } from "../../../parts/Boundary";
import type { TableProps } from "./props";

// Each station's picture comes when somebody stands there.
const pictures: Record<
	string,
	React.LazyExoticComponent<React.ComponentType<TableProps>>
> = {
	assess: lazy(behind(() => import("../assess/BreakTable"))),
	strip: lazy(behind(() => import("../strip/PiecesTable"))),
	choose: lazy(behind(() => import("../choose/AsksTable"))),
	source: lazy(behind(() => import("../source/OrderTable"))),
	prepare: lazy(behind(() => import("../set/WorkTable"))),
	set: lazy(behind(() => import("../set/WorkTable"))),
	hold: lazy(behind(() => import("../hold/CureTable"))),
	refit: lazy(behind(() => import("../strip/PiecesTable"))),
	prove: lazy(behind(() => import("../prove/ProofTable"))),
};

/** Whether a station has a picture of its own here, beside the pane itself. */
export function hasPicture(view: View, station: string): boolean {
	switch (station) {
		case "assess":
			return view.pane.road.came !== "unbroken";
		case "choose":
			return view.reckoning.road.settled && !view.job.signed;
		case "measure":
			return false;
		default:
			return true;
	}
}

/** The picture of a station, as large as the table. */
export function StationTable({
	station,
	onPane,
	...props
}: TableProps & { station: string; onPane: (pane: number) => void }) {
	const Picture = pictures[station];
	if (!Picture) return null;
	return (
		<Boundary what="The picture of this station">
			<Suspense
				fallback={
					<p role="status" className="lit flex-1 p-6">
						Opening the job …
					</p>
				}
			>
				<Picture {...props} />
				{props.view.panes.length > 1 && (
					<div className="absolute top-11 right-4 hidden sm:block">
						<ObjectMap
							drawing={props.view.object}
							width={132}
							onPick={onPane}
						/>
					</div>
				)}
			</Suspense>
		</Boundary>
	);
}
