import { useState } from "react";
import { Link } from "react-router";
import { useChangeJob, useWait } from "../../../api/jobs";
import type { View } from "../../../api/types";
import { later } from "../../../app/later";
import { when } from "../../../app/when";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { type Fold, Folds } from "../../../parts/Folds";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { WhenField } from "../../../parts/WhenField";
import { OrdersList } from "./OrdersList";

const StockSizes = later(() => import("./StockSizes"), "StockSizes");

const Experience = later(() => import("../Experience"), "Experience");

const PartForm = later(() => import("./PartForm"), "PartForm");

const Offers = later(() => import("./Offers"), "Offers");

/** The order line to pass on, what the pane waits for, and what is promised. */
export function SourceStation({ view }: { view: View }) {
	const { job, pane, reckoning } = view;
	const [waits, setWaits] = useState(pane.waits_for);
	const shown = (iso?: string) => (iso ? when(iso) : "");
	// As they stood when the form was filled: "tomorrow" is another day after midnight.
	const [stoodUntil] = useState(() => shown(pane.waits_until));
	const [stood] = useState(() => shown(job.promised_at));
	const [until, setUntil] = useState(stoodUntil);
	const [promised, setPromised] = useState(stood);
	const [place, setPlace] = useState(job.place);
	const write = useChangeJob(view);
	const wait = useWait(view);
	const taken = (pane.stock ?? "") !== "";
	const made = reckoning.road.sized && reckoning.order !== "";
	const priced = made || reckoning.road.part;
	const busy = write.isPending || wait.isPending;
	function keepWait(waitsFor: string, waitsUntil: string) {
		wait.mutate({
			waits_for: waitsFor,
			// As it stood it is the same moment, not what its words mean now.
			...(waitsUntil.trim() === stoodUntil
				? { waits_until: pane.waits_until }
				: { until: waitsUntil }),
			version: pane.version,
		});
	}
	function keep() {
		keepWait(waits, until);
		if (promised.trim() !== stood || place !== job.place) {
			write.mutate({
				story: job.story,
				place,
				...(promised.trim() === stood
					? { promised_at: job.promised_at }
					: { promised }),
				version: job.version,
			});
		}
	}
	const folds: Fold[] = [
		{
			key: "missing",
			title: "What is needed",
			says: taken
				? "a stock size is taken"
				: made
					? reckoning.order
					: reckoning.road.headline,
			children: (
				<>
					{reckoning.road.part && <PartForm view={view} />}
					{made && (
						<p className="border-l-4 border-computed pl-3 select-all">
							{reckoning.order}
							{taken ? "" : ", edges seamed"}
						</p>
					)}
					<StockSizes view={view} />
					{made && (
						<p
							className={`border-l-4 pl-3 ${reckoning.cutting.hand ? "border-now" : "border-warn"}`}
						>
							<strong>
								{reckoning.cutting.hand ? "Can be cut here" : "Not cut here"}:
							</strong>{" "}
							{reckoning.cutting.sentence}.{" "}
							<span className="text-ink-2">Common practice, no source.</span>
							{reckoning.cutting.hand && !reckoning.assumed && (
								<>
									{" "}
									<Link
										className="underline underline-offset-4"
										to={`/cut-room/${reckoning.material.id}-${reckoning.thickness}`}
									>
										To the cut room
									</Link>
								</>
							)}
						</p>
					)}
				</>
			),
		},
		{
			key: "prices",
			title: "Prices",
			says: priced ? "what others ask for it" : "nothing to ask for yet",
			children: (
				<>
					{priced && <Offers key={view.pane.id} view={view} />}
					<Experience view={view} kinds={["source"]} />
				</>
			),
		},
		{
			key: "orders",
			title: "Orders and dates",
			says: pane.waits_for
				? `waits for ${pane.waits_for}`
				: job.promised_at
					? `promised ${when(job.promised_at)}`
					: "nothing is promised",
			children: (
				<>
					<OrdersList view={view} />
					<TextField
						label={view.panes.length > 1 ? "This pane waits for" : "Waits for"}
						value={waits}
						onChange={setWaits}
						placeholder="glass-ceramic from the cutter"
						error={wait.error?.field("waits_for")}
					/>
					<WhenField
						label="Until"
						value={until}
						onChange={setUntil}
						known={stoodUntil}
						error={wait.error?.field("waits_until")}
					/>
					<WhenField
						label="Promised to the customer"
						value={promised}
						onChange={setPromised}
						known={stood}
						error={write.error?.field("promised_at")}
					/>
					<Pick
						label="Where the work is"
						value={place}
						onChange={setPlace}
						options={[
							{ value: "bench", label: "at the bench" },
							{ value: "site", label: "at the customer's" },
						]}
					/>
					<Refusal error={write.error ?? wait.error} />
					{!job.signed && (
						<div className="flex flex-wrap gap-2">
							<Button disabled={busy} onClick={keep}>
								Keep dates and wait
							</Button>
							{pane.waits_for && (
								<Button
									kind="now"
									disabled={busy}
									onClick={() => {
										setWaits("");
										setUntil("");
										keepWait("", "");
									}}
								>
									It has arrived
								</Button>
							)}
						</div>
					)}
				</>
			),
		},
	];
	return (
		<div className="mt-3">
			<Folds all={folds} first={pane.waits_for ? "orders" : "missing"} />
		</div>
	);
}
