import { useDeferredValue, useState } from "react";
import { useJobs } from "../../api/jobs";
import { Page } from "../../app/Page";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Paged } from "../../parts/Paged";
import { type Option, Pick } from "../../parts/Pick";
import { Bring } from "./Bring";
import { JobLine } from "./JobLine";
import { type Order, ordered, type Which } from "./order";

type State = "open" | "signed" | "withdrawn" | "all";

const states: Option<State>[] = [
	{ value: "open", label: "open" },
	{ value: "signed", label: "signed off" },
	{ value: "withdrawn", label: "withdrawn" },
	{ value: "all", label: "all" },
];
const whiches: Option<Which>[] = [
	{ value: "any", label: "every one" },
	{ value: "now", label: "ready to go on" },
	{ value: "waiting", label: "waiting" },
	{ value: "late", label: "late" },
];
const orders: Option<Order>[] = [
	{ value: "newest", label: "newest" },
	{ value: "promise", label: "promise" },
	{ value: "station", label: "nearly done" },
];

function nameOf<T extends string>(all: Option<T>[], value: T) {
	return all.find((o) => o.value === value)?.label;
}

export function JobsScreen() {
	const [words, setWords] = useState("");
	const [state, setState] = useState<State>("open");
	const [order, setOrder] = useState<Order>("newest");
	const [which, setWhich] = useState<Which>("any");
	// On a phone the three choices fold into one row.
	const [folded, setFolded] = useState(false);
	const asked = useDeferredValue(words);
	const jobs = useJobs(asked, state === "all" ? "" : state);
	const open = state === "open";
	const all = jobs.data?.pages.flat() ?? [];
	const rows = open ? ordered([...all], order, which) : all;
	return (
		<Page title="Jobs">
			<div className="mb-4 grid grid-cols-1 items-end gap-x-8 gap-y-3 md:grid-cols-[1fr_auto]">
				<TextField
					label="Find"
					placeholder="object, customer, what happened, number"
					value={words}
					onChange={setWords}
					maxLength={120}
				/>
				<button
					type="button"
					aria-expanded={folded}
					onClick={() => setFolded(!folded)}
					className="flex min-h-12 items-center justify-between gap-3 border-2 border-rule bg-lit px-4 text-left font-semibold md:hidden"
					data-shown
				>
					<span>
						<span className="font-normal text-ink-2">Shown: </span>
						{[
							nameOf(states, state),
							...(open ? [nameOf(whiches, which), nameOf(orders, order)] : []),
						].join(", ")}
					</span>
					<span aria-hidden="true">{folded ? "▴" : "▾"}</span>
				</button>
				<div className={folded ? "" : "max-md:hidden"}>
					<Pick
						label="Which jobs"
						value={state}
						onChange={setState}
						options={states}
					/>
				</div>
				{open && (
					<div
						className={`flex flex-wrap gap-x-8 gap-y-3 md:col-span-2 ${folded ? "" : "max-md:hidden"}`}
					>
						<Pick
							label="Of the open ones"
							value={which}
							onChange={setWhich}
							options={whiches}
						/>
						<Pick
							label="In the order of"
							value={order}
							onChange={setOrder}
							options={orders}
						/>
					</div>
				)}
			</div>
			{jobs.isError && <p role="alert">{jobs.error.message}</p>}
			{jobs.isSuccess && rows.length === 0 && (
				<p className="py-6 text-xl">
					{words
						? `No job has “${words}” in it.`
						: all.length > 0
							? "No open job is like that."
							: state === "withdrawn"
								? "No job was withdrawn."
								: "No jobs here yet. Take in a pane and it appears in this list."}
				</p>
			)}
			<Paged
				key={`${asked} ${state} ${which} ${order}`}
				all={rows}
				className="border-t border-rule"
				row={(r) => <JobLine key={r.id} row={r} />}
			>
				{jobs.hasNextPage && (
					<Button className="mt-4" onClick={() => void jobs.fetchNextPage()}>
						Older ones
					</Button>
				)}
			</Paged>
			<Bring />
		</Page>
	);
}
