import { useState } from "react";
import { useHeard } from "../../../api/panes";
import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { JoinedSize } from "../../../parts/JoinedSize";
import { Refusal } from "../../../parts/Refusal";
import {
	type WitnessRow,
	WitnessRows,
	witnessed,
} from "../../../parts/WitnessRows";

type Said = NonNullable<View["pane"]["heard"]>[number];

const rowOf = (s: Said): WitnessRow => ({
	kind: s.kind,
	width: s.width?.text ?? "",
	height: s.height?.text ?? "",
	round: s.round?.text ?? "",
	cracks: s.cracks ?? 0,
	pen: s.pen ?? 0,
});

/** The opening and the old pane are read on the table. */
const onTable = ["opening", "old"];

/** Who else says the size: pieces, a neighbour, a sheet, a word. */
export function Witnesses({ view }: { view: View }) {
	const [rows, setRows] = useState(() => (view.pane.heard ?? []).map(rowOf));
	const write = useHeard(view);
	const { heard } = view.reckoning;
	const had = (view.pane.heard ?? []).map(rowOf);
	const kept = rows.filter(witnessed);
	const changed = JSON.stringify(kept) !== JSON.stringify(had);
	return (
		<section aria-label="Who else says the size" className="mt-5">
			<h2 className="font-semibold">Who else says the size?</h2>
			{heard?.width && <JoinedSize joined={heard.width} way="width" />}
			{heard?.height && <JoinedSize joined={heard.height} way="height" />}
			{!view.job.signed && (
				<>
					<p className="mt-2 mb-1.5 text-[0.9375rem] text-ink-2">
						Pieces laid together, a neighbour, a tracing, a gasket's groove, a
						sheet, the customer: each checks what was read on the table.
					</p>
					<WitnessRows
						rows={rows}
						onRows={setRows}
						error={(f) => write.error?.field(f)}
						without={onTable}
						narrow
					/>
					<Refusal
						error={
							write.error && !write.error.problem.errors?.length
								? write.error
								: null
						}
					/>
					{changed && (
						<Button
							className="mt-2"
							disabled={write.isPending}
							onClick={() =>
								write.mutate({
									heard: kept.map((r) => ({
										...r,
										kind: r.kind as Said["kind"],
									})),
									version: view.pane.version,
								})
							}
						>
							Keep who says it
						</Button>
					)}
				</>
			)}
		</section>
	);
}
