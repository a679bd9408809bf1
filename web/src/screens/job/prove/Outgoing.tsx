import { useState } from "react";
import { Link } from "react-router";
import {
	useOutgoing,
	usePassportLink,
	useShowPhoto,
} from "../../../api/outgoing";
import type { View } from "../../../api/types";
import { dayOf } from "../../../app/when";
import { useWho } from "../../../app/who";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";
import { Tick } from "../../../parts/Tick";

const papers = [
	{ file: "customer", name: "Customer's page" },
	{ file: "label", name: "Label for the inside of the door" },
	{ file: "letter", name: "Letter to the next technician" },
	{ file: "ticket", name: "Ticket" },
	{ file: "record", name: "Workshop's record, with every sum" },
];

/** What goes out with a signed job: its papers, and the page behind its code. */
export function Outgoing({ view }: { view: View }) {
	const { id } = view.job;
	const { account } = useWho();
	const [sure, setSure] = useState(false);
	const goes = useOutgoing(id);
	const write = usePassportLink(id);
	const show = useShowPhoto(id);
	const onPage = new Set(goes.data?.passport.photos.map((p) => p.id));
	const link = goes.data?.link;
	const due = goes.data?.passport.due ?? [];
	return (
		<section aria-label="What goes out" className="mt-3" data-outgoing={id}>
			<ul className="border-t border-rule">
				{papers.map((p) => (
					<li key={p.file} className="border-b border-rule">
						<a
							className="flex min-h-12 items-center justify-between hover:bg-now-wash"
							href={`/api/jobs/${id}/${p.file}.pdf`}
						>
							{p.name} <span className="text-ink-2">PDF</span>
						</a>
					</li>
				))}
				<li className="border-b border-rule">
					<a
						className="flex min-h-12 items-center justify-between hover:bg-now-wash"
						href={`/api/jobs/${id}/carried`}
						download={`job-${id}.json`}
					>
						The job, to carry to another shop{" "}
						<span className="text-ink-2">JSON</span>
					</a>
				</li>
			</ul>
			{goes.isError && <Refusal error={goes.error} />}
			{goes.data && view.job.photos.length > 0 && (
				<fieldset className="mt-3" data-show-photos={onPage.size}>
					<legend className="font-semibold">Pictures on its page</legend>
					<div className="flex flex-wrap gap-4">
						{view.job.photos.map((p, n) => (
							<div key={p.id}>
								<img
									src={`/api/jobs/${id}/photos/${p.id}/thumb`}
									alt={`${n + 1}, by ${p.by}`}
									width={96}
									className="h-auto border border-ink"
								/>
								<Tick
									checked={onPage.has(p.id)}
									disabled={show.isPending}
									onChange={(shown) => show.mutate({ photo: p.id, shown })}
								>
									picture {n + 1}
								</Tick>
							</div>
						))}
					</div>
					<Refusal error={show.error} />
				</fieldset>
			)}
			{link && (
				<div className="mt-3" data-link={link.token}>
					<p>
						The code on its papers opens{" "}
						<Link
							className="underline underline-offset-4"
							to={`/p/${link.token}`}
							target="_blank"
						>
							this page
						</Link>{" "}
						without signing in. It says nothing of the customer or of money.
					</p>
					{account.role === "owner" &&
						(sure ? (
							<p className="mt-1 flex flex-wrap items-center gap-3">
								<Button
									disabled={write.isPending}
									onClick={() =>
										write.mutate("withdraw", {
											onSuccess: () => setSure(false),
										})
									}
								>
									Withdraw it: labels that are out open nothing
								</Button>
								<Button kind="quiet" onClick={() => setSure(false)}>
									leave it
								</Button>
							</p>
						) : (
							<Button kind="quiet" onClick={() => setSure(true)}>
								withdraw the code
							</Button>
						))}
				</div>
			)}
			{goes.data && !link && (
				<p className="mt-3 flex flex-wrap items-center gap-3">
					The code was withdrawn: labels that are out open nothing.
					<Button
						disabled={write.isPending}
						onClick={() => write.mutate("make")}
					>
						Make a new one
					</Button>
				</p>
			)}
			<Refusal error={write.error} />
			{due.length > 0 && (
				<p className="mt-3 text-ink-2">
					To be looked at again:{" "}
					{due.map((d) => `${d.what}, ${dayOf(d.on)}`).join("; ")}.{" "}
					<Link className="underline underline-offset-4" to="/records">
						See Records
					</Link>
				</p>
			)}
		</section>
	);
}
