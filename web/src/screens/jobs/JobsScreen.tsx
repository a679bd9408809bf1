import { useInfiniteQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, got, newKey, Refused } from "../../api/client";
import type { Row } from "../../api/types";
import { Page } from "../../app/Page";
import { when } from "../../app/when";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";

const pageSize = 40;
type State = "open" | "signed" | "all";

export function JobsScreen() {
	const [words, setWords] = useState("");
	const [state, setState] = useState<State>("open");
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
	const rows = jobs.data?.pages.flat() ?? [];
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
						{ value: "all", label: "all" },
					]}
				/>
			</div>
			{jobs.isError && <p role="alert">{jobs.error.message}</p>}
			{jobs.isSuccess && rows.length === 0 && (
				<p className="py-6 text-xl">
					{words
						? `No job has “${words}” in it.`
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

function JobLine({ row }: { row: Row }) {
	return (
		<li className="border-b border-rule">
			<Link
				to={`/jobs/${row.id}`}
				className="grid min-h-16 grid-cols-[2.5rem_1fr] items-baseline gap-x-4 py-2.5 hover:bg-now-wash sm:grid-cols-[2.5rem_1fr_9rem]"
			>
				<span className="font-figure text-ink-2">{row.id}</span>
				<span className="min-w-0">
					<strong className="font-semibold">{row.object}</strong>
					<span className="text-ink-2"> · {row.customer}</span>
					{row.story && (
						<span className="block truncate text-ink-2">{row.story}</span>
					)}
				</span>
				<span className="max-sm:col-start-2 sm:text-right">
					{row.signed
						? "signed off"
						: row.promised_at
							? when(row.promised_at)
							: "no promise"}
				</span>
			</Link>
		</li>
	);
}

/** A job that another shop carried over, as its JSON document. */
function Bring() {
	const go = useNavigate();
	const client = useQueryClient();
	const [error, setError] = useState<Refused | null>(null);
	async function take(file: File) {
		setError(null);
		try {
			const body = JSON.parse(await file.text());
			const made = await got(
				api.POST("/api/jobs/carried", {
					params: { header: { "Idempotency-Key": newKey() } },
					body,
				}),
			);
			await client.invalidateQueries({ queryKey: ["jobs"] });
			go(`/jobs/${made.id}`);
		} catch (e) {
			setError(
				e instanceof Refused
					? e
					: new Refused({
							title: "No document",
							status: 422,
							detail:
								"This file is not a job document; choose one that was saved as “Job, JSON”.",
						}),
			);
		}
	}
	return (
		<div className="mt-8 max-w-[40em]">
			<label className="inline-flex min-h-12 cursor-pointer items-center underline underline-offset-4 focus-within:outline-3 focus-within:outline-now">
				Bring in a job from a document
				<input
					type="file"
					accept="application/json,.json"
					className="sr-only"
					onChange={(e) => {
						const file = e.target.files?.[0];
						e.target.value = "";
						if (file) void take(file);
					}}
				/>
			</label>
			<Refusal error={error} />
		</div>
	);
}
