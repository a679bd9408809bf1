import { useState } from "react";
import { api, got } from "../../api/client";
import { useJobWrite } from "../../api/hooks";
import type { View } from "../../api/types";
import { fromField, toField } from "../../app/when";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";

type Head = {
	story: string;
	place: "bench" | "site";
	promised_at?: string;
	waits_for: string;
	waits_until?: string;
	version: number;
};

/** The order line to pass on, what the job waits for, and what is promised. */
export function SourceStation({ view }: { view: View }) {
	const { job, reckoning } = view;
	const [waits, setWaits] = useState(job.waits_for);
	const [until, setUntil] = useState(toField(job.waits_until));
	const [promised, setPromised] = useState(toField(job.promised_at));
	const [place, setPlace] = useState(job.place);
	const write = useJobWrite<Head>(job.id, (body) =>
		got(api.PUT("/api/jobs/{id}", { params: { path: { id: job.id } }, body })),
	);
	function keep(waitsFor: string, waitsUntil: string) {
		write.mutate({
			story: job.story,
			place,
			promised_at: fromField(promised),
			waits_for: waitsFor,
			waits_until: fromField(waitsUntil),
			version: job.version,
		});
	}
	return (
		<div className="mt-3 flex flex-col gap-4">
			{reckoning.order && (
				<p className="border-l-4 border-computed pl-3 select-all">
					{reckoning.order}, edges seamed
				</p>
			)}
			<TextField
				label="Waits for"
				value={waits}
				onChange={setWaits}
				placeholder="glass-ceramic from the cutter"
				error={write.error?.field("waits_for")}
			/>
			<TextField
				label="Until"
				type="datetime-local"
				value={until}
				onChange={setUntil}
			/>
			<TextField
				label="Promised to the customer"
				type="datetime-local"
				value={promised}
				onChange={setPromised}
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
			<Refusal error={write.error} />
			{!job.signed && (
				<div className="flex flex-wrap gap-2">
					<Button disabled={write.isPending} onClick={() => keep(waits, until)}>
						Keep dates and wait
					</Button>
					{job.waits_for && (
						<Button
							kind="now"
							disabled={write.isPending}
							onClick={() => {
								setWaits("");
								setUntil("");
								keep("", "");
							}}
						>
							It has arrived
						</Button>
					)}
				</div>
			)}
		</div>
	);
}
