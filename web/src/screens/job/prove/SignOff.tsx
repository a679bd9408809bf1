import { useState } from "react";
import { useSign } from "../../../api/steps";
import type { View } from "../../../api/types";
import { useWho } from "../../../app/who";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { Refusal } from "../../../parts/Refusal";
import { Outgoing } from "./Outgoing";

/** Refused while anything is open; an owner may sign over it with a reason. */
export function SignOff({ view }: { view: View }) {
	const { account } = useWho();
	const [override, setOverride] = useState("");
	// One key a signature, so that a retry never makes a second ticket.
	const id = view.job.id;
	const sign = useSign(view);
	if (view.job.ticket) {
		return (
			<div className="mt-6">
				<p
					className="text-2xl font-semibold"
					data-ticket={view.job.ticket.number}
				>
					Ticket {view.job.ticket.number} is signed.
				</p>
				{view.job.ticket.changed && (
					<p role="alert" className="border-l-4 border-stop pl-3 text-stop">
						<strong>Changed since it was signed.</strong> What stands here is
						not the record that was signed. Restore it from a backup before
						anybody relies on it.
					</p>
				)}
				{view.job.ticket.override && (
					<p className="text-warn">
						Signed over what was open: {view.job.ticket.override}
					</p>
				)}
				<Outgoing view={view} />
			</div>
		);
	}
	const stops = view.hindrances.filter((h) => h.kind === "stop").length;
	const open = view.hindrances.filter((h) => h.kind !== "stop");
	const n = view.hindrances.length;
	return (
		<div className="mt-6" id="sign-off">
			<h2 className="font-semibold">Sign off</h2>
			{n > 0 ? (
				<details open={open.length > 0 && open.length < 6}>
					<summary className="min-h-11 cursor-pointer content-center text-stop">
						<strong>Not yet.</strong> {standsInTheWay(stops, open.length)}
					</summary>
					<ul className="list-['–_'] pl-4">
						{open.map((h) => (
							<li key={`${h.pane} ${h.kind} ${h.key}`}>{h.text}</li>
						))}
					</ul>
				</details>
			) : (
				<p className="py-2">Everything is proved. Your name goes on it.</p>
			)}
			<Refusal error={sign.error} />
			{n > 0 && stops === 0 && account.role === "owner" && (
				<TextField
					label="As the owner, sign over it because"
					value={override}
					onChange={setOverride}
					hint="The reason stays on the ticket."
					error={sign.error?.field("override")}
				/>
			)}
			<Button
				kind="now"
				className="mt-3"
				data-sign
				disabled={
					sign.isPending || stops > 0 || (n > 0 && override.trim() === "")
				}
				onClick={() => sign.mutate(override)}
			>
				Sign as {account.name}
			</Button>
			<Papers id={id} />
		</div>
	);
}

/** How many stops and open things there are, in words. */
function standsInTheWay(stops: number, open: number): string {
	const say = [];
	if (stops > 0) say.push(`${stops} ${stops === 1 ? "stop" : "stops"} above`);
	if (open > 0) say.push(`${open} ${open === 1 ? "thing" : "things"} open`);
	return `${say.join(", ")}.`;
}

/** What can be printed before anything is signed. */
function Papers({ id }: { id: number }) {
	const way = "min-h-11 content-center underline underline-offset-4";
	return (
		<p className="mt-3 flex flex-wrap gap-x-5">
			<a className={way} href={`/api/jobs/${id}/ticket.pdf`}>
				Draft of the ticket, PDF
			</a>
			<a
				className={way}
				href={`/api/jobs/${id}/carried`}
				download={`job-${id}.json`}
			>
				Job, JSON
			</a>
		</p>
	);
}
