import { useState } from "react";
import { Link } from "react-router";
import { useAcceptStop, useUnacceptStop } from "../../api/steps";
import type { PaneStop, View } from "../../api/types";
import { Inches } from "../../app/Inches";
import { when } from "../../app/when";
import { useWho } from "../../app/who";
import { Button } from "../../parts/Button";
import { ReasonForm } from "../../parts/ReasonForm";
import { Refusal } from "../../parts/Refusal";

/**
 * What is beyond its limit: put right where it belongs, or taken on by an owner
 * by name. Nothing else gets a job past it.
 */
export function Stops({ view, stops }: { view: View; stops: PaneStop[] }) {
	if (stops.length === 0) return null;
	return (
		<ul className="mt-3 flex flex-col gap-2" aria-label="Stops">
			{stops.map((s) => (
				<StopLine key={`${s.pane} ${s.key}`} stop={s} view={view} />
			))}
		</ul>
	);
}

function StopLine({ stop, view }: { stop: PaneStop; view: View }) {
	const { account } = useWho();
	const [asking, setAsking] = useState(false);
	const take = useAcceptStop(view);
	const letGo = useUnacceptStop(view);
	const owner = account.role === "owner" && !view.job.signed;
	const at = { pane: stop.pane, stop: stop.key };
	const station = view.route.find((l) => l.station === stop.station);
	const error = take.error?.field("reason");
	return (
		<li
			data-stop={stop.key}
			className={`border-l-8 px-3 py-2 ${stop.taken ? "border-rule" : "border-stop bg-stop-wash"}`}
		>
			<p>
				<strong className={stop.taken ? "" : "text-stop"}>
					{stop.taken ? "Risk accepted." : "Stop."}
				</strong>{" "}
				{stop.name && `${stop.name}: `}
				<Inches>{stop.says}</Inches>
			</p>
			{stop.limit && (
				<p className="text-[0.9375rem] text-ink-2">
					Wanted: <Inches>{stop.limit}</Inches>
				</p>
			)}
			{stop.taken ? (
				<p className="text-[0.9375rem]">
					By <strong>{stop.taken.by}</strong>, {when(stop.taken.at)}:{" "}
					{stop.taken.reason}{" "}
					{owner && (
						<button
							type="button"
							className="min-h-11 underline underline-offset-4"
							onClick={() => letGo.mutate(at)}
						>
							let it go
						</button>
					)}
				</p>
			) : (
				!view.job.signed && (
					<p className="mt-1 flex flex-wrap items-center gap-x-4">
						{station && (
							<Link
								className="min-h-12 content-center font-semibold underline underline-offset-4"
								to={`/jobs/${view.job.id}/${stop.station}?pane=${stop.pane}`}
							>
								Put it right at {station.name}
							</Link>
						)}
						{!owner && <span>or an owner accepts the risk.</span>}
						{owner && !asking && (
							<Button kind="quiet" onClick={() => setAsking(true)}>
								Accept the risk
							</Button>
						)}
					</p>
				)
			)}
			{owner && asking && !stop.taken && (
				<ReasonForm
					ask="I accept the risk because"
					act={`Accept it as ${account.name}`}
					kind="stop"
					error={error}
					onAct={(reason) =>
						take.mutate({ ...at, reason, beyond: stop.beyond })
					}
					onLeave={() => setAsking(false)}
				/>
			)}
			{!error && <Refusal error={take.error ?? letGo.error} />}
		</li>
	);
}
