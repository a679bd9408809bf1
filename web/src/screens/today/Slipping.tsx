import { useState } from "react";
import { Link } from "react-router";
import { useSlipping, useWays } from "../../api/days";
import type { Slip } from "../../api/types";
import { when } from "../../app/when";
import { Button } from "../../parts/Button";

const shown = 3;

/** Promises that begin to slip: who is to be called, and what would save them. */
export function Slipping() {
	const all = useSlipping();
	if (!all.data || all.data.length === 0) return null;
	const more = all.data.length - shown;
	return (
		<section aria-label="Promises that slip" data-slipping={all.data.length}>
			<h2 className="mb-1 font-semibold text-stop">
				! {all.data.length === 1 ? "A promise slips" : "Promises slip"}
			</h2>
			<ul className="border-t border-rule">
				{all.data.slice(0, shown).map((s) => (
					<Line key={s.job} slip={s} />
				))}
			</ul>
			{more > 0 && (
				<Link
					to="/days"
					className="inline-block min-h-11 content-center underline underline-offset-4"
				>
					and {more} more
				</Link>
			)}
		</section>
	);
}

function Line({ slip }: { slip: Slip }) {
	const [open, setOpen] = useState(false);
	return (
		<li className="border-b border-rule py-2" data-slip={slip.job}>
			<Link
				to={`/jobs/${slip.job}`}
				className="block min-h-11 content-center font-semibold underline-offset-4 hover:underline"
			>
				{slip.object}
			</Link>
			<span className="block">
				promised {when(slip.promised_at)},{" "}
				{slip.nine ? `safe by ${when(slip.nine)}` : "no time is left for it"}
			</span>
			{open ? (
				<Saves job={slip.job} />
			) : (
				<Button kind="quiet" onClick={() => setOpen(true)}>
					what would save it?
				</Button>
			)}
		</li>
	);
}

function Saves({ job }: { job: number }) {
	const ways = useWays(job);
	if (ways.isPending) return <p role="status">Trying what would save it …</p>;
	if (ways.isError) return <p role="alert">{ways.error.message}</p>;
	const { customer, phone } = ways.data;
	return (
		<div data-saves={ways.data.ways.length}>
			{ways.data.ways.length === 0 ? (
				<p>
					Nothing that the shop can do: not a hand more, not an evening, not the
					glass a day sooner.
				</p>
			) : (
				<ul className="list-disc pl-6">
					{ways.data.ways.map((w) => (
						<li key={w.says}>{w.says}</li>
					))}
				</ul>
			)}
			<p>
				Otherwise call {customer || "the customer"}
				{phone && (
					<>
						,{" "}
						<a
							className="inline-block min-h-11 content-center font-figure underline underline-offset-4"
							href={`tel:${phone.replace(/\s/g, "")}`}
						>
							{phone}
						</a>
					</>
				)}
				.
			</p>
		</div>
	);
}
