import { useInfiniteQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { api, got } from "../../api/client";
import { Page } from "../../app/Page";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Bring } from "./Bring";
import { JobLine } from "./JobLine";
import { type Order, ordered, type Which } from "./order";

const pageSize = 100;
type State = "open" | "signed" | "withdrawn" | "all";

export function JobsScreen() {
	const [words, setWords] = useState("");
	const [state, setState] = useState<State>("open");
	const [order, setOrder] = useState<Order>("newest");
	const [which, setWhich] = useState<Which>("any");
	const asked = useDeferredValue(words);
	const jobs = useInfiniteQuery({
		queryKey: ["jobs", asked, state],
		queryFn: ({ pageParam }) =>
			got(
				api.GET("/api/jobs", {
					params: {
						query: {
							words: asked,
							state: state === "all" ? "" : state,
							before: pageParam,
							most: pageSize,
						},
					},
				}),
			),
		initialPageParam: 0,
		getNextPageParam: (last) =>
			last.length === pageSize ? last.at(-1)?.id : undefined,
	});
	const open = state === "open";
	const all = jobs.data?.pages.flat() ?? [];
	const rows = open ? ordered([...all], order, which) : all;
	return (
		<Page title="Jobs">
			<div className="mb-5 grid items-end gap-5 md:grid-cols-[1fr_auto]">
				<TextField
					label="Find"
					placeholder="object, customer, what happened, number"
					value={words}
					onChange={setWords}
					maxLength={120}
				/>
				<Pick
					label="Which jobs"
					value={state}
					onChange={setState}
					options={[
						{ value: "open", label: "open" },
						{ value: "signed", label: "signed off" },
						{ value: "withdrawn", label: "withdrawn" },
						{ value: "all", label: "all" },
					]}
				/>
			</div>
			{open && (
				<div className="mb-4 flex flex-wrap gap-x-8 gap-y-3">
					<Pick
						label="Of the open ones"
						value={which}
						onChange={setWhich}
						options={[
							{ value: "any", label: "every one" },
							{ value: "now", label: "somebody can go on" },
							{ value: "waiting", label: "waiting" },
							{ value: "late", label: "late" },
						]}
					/>
					<Pick
						label="In the order of"
						value={order}
						onChange={setOrder}
						options={[
							{ value: "newest", label: "newest" },
							{ value: "promise", label: "promise" },
							{ value: "station", label: "nearly done" },
						]}
					/>
				</div>
			)}
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
			<ol className="border-t border-rule">
				{rows.map((r) => (
					<JobLine key={r.id} row={r} />
				))}
			</ol>
			{jobs.hasNextPage && (
				<Button className="mt-4" onClick={() => void jobs.fetchNextPage()}>
					Older ones
				</Button>
			)}
			<Bring />
		</Page>
	);
}
