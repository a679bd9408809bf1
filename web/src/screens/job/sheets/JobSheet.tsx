import { useState } from "react";
import { useNavigate } from "react-router";
import { useCopy, useWithdraw } from "../../../api/jobs";
import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { ReasonForm } from "../../../parts/ReasonForm";
import { Refusal } from "../../../parts/Refusal";
import { Sheet } from "../../../parts/Sheet";

const usual = ["the customer said no", "taken in twice", "not worth it"];

/** What can be done with a job as a whole: the same again, or given up. */
export function JobSheet({
	view,
	open,
	onClose,
}: {
	view: View;
	open: boolean;
	onClose: () => void;
}) {
	return (
		<Sheet title="The job" open={open} onClose={onClose}>
			<div className="flex flex-col gap-8">
				<Again view={view} onClose={onClose} />
				{!view.job.signed && !view.job.withdrawn && (
					<GiveUp view={view} onClose={onClose} />
				)}
			</div>
		</Sheet>
	);
}

function Again({ view, onClose }: { view: View; onClose: () => void }) {
	const go = useNavigate();
	const copy = useCopy(view);
	const make = (how: "again" | "copy") =>
		copy.mutate(how, {
			onSuccess: (made) => {
				onClose();
				go(`/jobs/${made.id}`);
			},
		});
	return (
		<section aria-label="The same again">
			<h2 className="font-semibold">The same again</h2>
			<p className="mb-2 text-ink-2">
				A new job with this customer, this object and how its panes are held.
				Nothing that was read, seen or done goes with it.
			</p>
			<div className="flex flex-wrap gap-2">
				<Button disabled={copy.isPending} onClick={() => make("again")}>
					It is back: the same object
				</Button>
				<Button disabled={copy.isPending} onClick={() => make("copy")}>
					Another one like it
				</Button>
			</div>
			<Refusal error={copy.error} />
		</section>
	);
}

function GiveUp({ view, onClose }: { view: View; onClose: () => void }) {
	const [words, setWords] = useState(false);
	const write = useWithdraw(view);
	const withdraw = (why: string) => write.mutate(why, { onSuccess: onClose });
	return (
		<section aria-label="Withdraw it">
			<h2 className="font-semibold">Cancel the job</h2>
			<p className="mb-2 text-ink-2">
				It leaves Today and stays on the record; it can be taken up again.
			</p>
			<div className="flex flex-col items-start gap-2">
				{usual.map((u) => (
					<Button
						key={u}
						disabled={write.isPending}
						onClick={() => withdraw(u)}
					>
						Withdraw: {u}
					</Button>
				))}
				{words ? (
					<ReasonForm
						ask="Why is it withdrawn?"
						act="Withdraw it"
						kind="stop"
						error={write.error?.field("why")}
						onAct={withdraw}
						onLeave={() => setWords(false)}
					/>
				) : (
					<Button kind="quiet" onClick={() => setWords(true)}>
						because of something else
					</Button>
				)}
			</div>
			<Refusal error={write.error?.field("why") ? null : write.error} />
		</section>
	);
}
