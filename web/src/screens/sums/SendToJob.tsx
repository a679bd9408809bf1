import { useState } from "react";
import { useJob, useOpenJobs } from "../../api/jobs";
import type { Refused } from "../../api/refused";
import type { Row, View } from "../../api/types";
import { ObjectMap } from "../../bench/ObjectMap";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Refusal } from "../../parts/Refusal";
import { Sheet } from "../../parts/Sheet";

type Props = {
	title: string;
	open: boolean;
	onClose: () => void;
	/** Whether one pane is asked for, or the whole object takes it. */
	onePane: boolean;
	error: Refused | null;
	busy: boolean;
	onSend: (view: View) => void;
};

/** Chooses an open job, and a pane of it, for what was worked out here. */
export function SendToJob({ title, open, onClose, ...rest }: Props) {
	return (
		<Sheet title={title} open={open} onClose={onClose}>
			{open && <Chooser {...rest} />}
		</Sheet>
	);
}

function Chooser({
	onePane,
	error,
	busy,
	onSend,
}: Omit<Props, "title" | "open" | "onClose">) {
	const [words, setWords] = useState("");
	const [job, setJob] = useState<number | null>(null);
	const rows = useOpenJobs(words);
	if (job !== null) {
		return (
			<Panes
				job={job}
				onePane={onePane}
				error={error}
				busy={busy}
				onSend={onSend}
				onBack={() => setJob(null)}
			/>
		);
	}
	return (
		<div className="flex flex-col gap-3">
			<TextField
				label="Which open job?"
				placeholder="object, customer or number"
				value={words}
				onChange={setWords}
			/>
			<ol className="border-t border-rule" aria-label="Open jobs">
				{(rows.data ?? []).map((r: Row) => (
					<li key={r.id} className="border-b border-rule">
						<button
							type="button"
							data-job={r.id}
							onClick={() => setJob(r.id)}
							className="min-h-14 w-full py-1 text-left hover:bg-now-wash"
						>
							<span className="block font-semibold">{r.object}</span>
							<span className="text-[0.9375rem] text-ink-2">
								{r.customer} · job {r.id}
							</span>
						</button>
					</li>
				))}
			</ol>
			{rows.data?.length === 0 && <p>No open job has these words.</p>}
		</div>
	);
}

function Panes({
	job,
	onePane,
	error,
	busy,
	onSend,
	onBack,
}: {
	job: number;
	onePane: boolean;
	error: Refused | null;
	busy: boolean;
	onSend: (view: View) => void;
	onBack: () => void;
}) {
	const [pane, setPane] = useState(0);
	const view = useJob(job, pane);
	if (!view.data) return <p role="status">Looking for it …</p>;
	const several = view.data.panes.length > 1;
	return (
		<div className="flex flex-col gap-4">
			<p className="text-xl font-semibold">{view.data.job.object.name}</p>
			{several && (
				<>
					<p>
						{onePane
							? `On which pane? Now: ${view.data.pane.name || `pane ${view.data.pane.number}`}.`
							: "Its panes take the lights in reading order."}
					</p>
					<div className="lit p-3">
						<ObjectMap
							drawing={view.data.object}
							width={420}
							onPick={setPane}
						/>
					</div>
				</>
			)}
			<Refusal error={error} />
			<div className="flex flex-wrap gap-3">
				<Button
					kind="now"
					disabled={busy}
					onClick={() => view.data && onSend(view.data)}
				>
					Start the job
				</Button>
				<Button kind="quiet" onClick={onBack}>
					another job
				</Button>
			</div>
		</div>
	);
}
