import { useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { useJob } from "../../api/hooks";
import type { View } from "../../api/types";
import { Page } from "../../app/Page";
import { when } from "../../app/when";
import { LightTable } from "../../bench/LightTable";
import { RouteLine } from "../../bench/RouteLine";
import { Sheet } from "../../parts/Sheet";
import { WorkingView } from "../../parts/WorkingView";
import { CustomerSheet } from "./CustomerSheet";
import { NextLine } from "./NextLine";
import { PanesSheet } from "./PanesSheet";
import { Reckoning } from "./Reckoning";
import { TableTools } from "./TableTools";
import { TapeLine } from "./TapeLine";
import { useTape } from "./useTape";

export function JobScreen() {
	const { id = "", station } = useParams();
	const number = /^\d{1,15}$/.test(id) ? Number(id) : 0;
	const [search] = useSearchParams();
	const pane = Number(search.get("pane") ?? 0) || 0;
	const job = useJob(number, pane);
	if (job.isPending) {
		return (
			<Page title="Job">
				<p role="status">Laying it on the table …</p>
			</Page>
		);
	}
	if (job.isError) {
		return (
			<Page title="Job">
				<p role="alert" className="text-xl">
					{job.error.message}
				</p>
				<p className="mt-4">
					<Link className="underline underline-offset-4" to="/jobs">
						Look among all jobs
					</Link>
				</p>
			</Page>
		);
	}
	return <Bench key={job.data.pane.id} view={job.data} station={station} />;
}

/** The light table with its route, its reckoning and its tape line. */
function Bench({ view, station }: { view: View; station?: string }) {
	const tape = useTape(view);
	const go = useNavigate();
	const [figure, setFigure] = useState<string | null>(null);
	const opened = view.reckoning.figures.find((f) => f.key === figure);
	const now = view.route.find((l) => l.state === "now")?.station ?? "prove";
	const here = view.route.find((l) => l.station === station)?.station ?? now;
	return (
		<div className="flex h-full flex-col">
			<Head view={view} />
			<RouteLine legs={view.route} to={(s) => wayTo(view, s)} here={here} />
			<main className="flex min-h-0 flex-1 flex-col overflow-y-auto border-t border-rule lg:flex-row lg:overflow-hidden">
				<div className="flex min-w-0 flex-none flex-col lg:min-h-0 lg:flex-1">
					<LightTable
						view={view}
						place={
							view.job.signed || (here !== "measure" && !tape.busy)
								? null
								: tape.place
						}
						onPick={tape.pick}
						onOpen={setFigure}
						onPane={(p) => go(`/jobs/${view.job.id}/${here}?pane=${p}`)}
					/>
					<TableTools view={view} tape={tape} />
				</div>
				<Reckoning view={view} station={here} onPlace={tape.pick} />
			</main>
			<Sheet
				title={opened ? `${opened.text}, ${opened.sentence}` : ""}
				open={opened !== undefined}
				onClose={() => setFigure(null)}
			>
				{opened && <WorkingView figure={opened} />}
			</Sheet>
			{view.reckoning.road.sized || tape.busy || view.job.signed ? (
				<TapeLine tape={tape} view={view} />
			) : (
				<NextLine view={view} />
			)}
		</div>
	);
}

/** The address of a station of the pane on the table. */
function wayTo(view: View, station: string): string {
	const pane = view.panes.length > 1 ? `?pane=${view.pane.id}` : "";
	return `/jobs/${view.job.id}/${station}${pane}`;
}

function Head({ view }: { view: View }) {
	const { job } = view;
	const [open, setOpen] = useState(false);
	const { late } = view;
	return (
		<header className="flex flex-wrap items-baseline justify-between gap-x-6 px-4 pt-3 pb-1 sm:px-7">
			<h1 className="min-w-0 text-[22px] leading-7 font-semibold">
				{job.object.name}
				<span className="ml-3 text-base font-normal text-ink-2">
					<button
						type="button"
						onClick={() => setOpen(true)}
						className="underline decoration-rule underline-offset-4"
					>
						{job.customer.name}
					</button>
					{job.story && (
						<span
							className={`hidden ${view.panes.length > 1 ? "2xl:inline" : "xl:inline"}`}
						>
							{" "}
							· {job.story}
						</span>
					)}
				</span>
				<Panes view={view} />
			</h1>
			<CustomerSheet view={view} open={open} onClose={() => setOpen(false)} />
			{job.carried && (
				<p className="order-last basis-full pb-1 text-[15px] text-ink-2">
					Carried in by {job.carried.by}, {when(job.carried.at)}.{" "}
					{job.carried.says}
				</p>
			)}
			<p className="text-ink-2">
				{job.signed && job.ticket ? (
					<>
						signed by {job.ticket.by}, {when(job.ticket.at)}
					</>
				) : job.promised_at ? (
					<>
						{late ? "late, promised " : "promised "}
						<strong className={late ? "text-stop" : "text-ink"}>
							{when(job.promised_at)}
						</strong>
					</>
				) : (
					"no promise yet"
				)}
			</p>
		</header>
	);
}

/** Which pane lies on the table; the sheet of all of them behind it. */
function Panes({ view }: { view: View }) {
	const [open, setOpen] = useState(false);
	const { panes, pane } = view;
	const done = panes.filter((p) => p.state === "done").length;
	const several = panes.length > 1;
	return (
		<span className="ml-4 text-base font-normal">
			<button
				type="button"
				onClick={() => setOpen(true)}
				className="min-h-11 text-left text-ink-2 underline decoration-rule underline-offset-4 hover:text-ink"
			>
				{several ? (
					<>
						<strong className="font-semibold text-ink">
							{pane.name || `pane ${pane.number}`}
						</strong>
						, {pane.number} of {panes.length}
						{done > 0 && `, ${done} done`}
					</>
				) : (
					"one pane"
				)}
			</button>
			<PanesSheet view={view} open={open} onClose={() => setOpen(false)} />
		</span>
	);
}
