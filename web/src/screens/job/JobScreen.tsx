import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { useJob } from "../../api/jobs";
import type { Ask, View } from "../../api/types";
import { Band } from "../../app/Band";
import { later, Once } from "../../app/later";
import { Page } from "../../app/Page";
import { Title } from "../../app/Title";
import { when } from "../../app/when";
import { RouteLine } from "../../bench/RouteLine";
import { Sheet } from "../../parts/Sheet";
import { WorkingView } from "../../parts/WorkingView";
import { AskLine } from "./line/AskLine";
import { type Undo, useAsk } from "./line/useAsk";
import { useKeys } from "./line/useKeys";
import { useTape } from "./measure/useTape";
import { Reckoning } from "./Reckoning";
import { TableTools } from "./TableTools";
import { hasPicture, StationTable } from "./table/StationTable";

const Withdrawn = later(() => import("./Withdrawn"), "Withdrawn");

const CustomerSheet = later(
	() => import("./sheets/CustomerSheet"),
	"CustomerSheet",
);
const PanesSheet = later(() => import("./sheets/PanesSheet"), "PanesSheet");
const KeysSheet = later(() => import("./line/KeysSheet"), "KeysSheet");
const LightTable = later(
	() => import("../../bench/LightTable"),
	"LightTable",
	<div className="lit flex-1" />,
);
const OtherReadings = later(
	() => import("./measure/OtherReadings"),
	"OtherReadings",
);
const TapeLine = later(
	() => import("./measure/TapeLine"),
	"TapeLine",
	<Band>{null}</Band>,
);

/** A job, as it was asked for; its station, as the address names it. */
export function JobScreen({
	job,
	station,
}: {
	job: ReturnType<typeof useJob>;
	station: string;
}) {
	if (job.isPending) {
		return (
			<Page title="Job">
				<p role="status">Opening the job …</p>
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

/** The table of the station with its route, its column and its line. */
function Bench({ view, station }: { view: View; station?: string }) {
	const now = view.route.find((l) => l.state === "now")?.station ?? "prove";
	const here = view.route.find((l) => l.station === station)?.station ?? now;
	const undo = useState<Undo | null>(null);
	return <Station key={here} view={view} here={here} undo={undo} />;
}

function Station({
	view,
	here,
	undo,
}: {
	view: View;
	here: string;
	/** The last answer outlives the station where it was given. */
	undo: [Undo | null, (u: Undo | null) => void];
}) {
	const tape = useTape(view);
	const go = useNavigate();
	const [figure, setFigure] = useState<string | null>(null);
	const [flat, setFlat] = useState(false);
	const [help, setHelp] = useState(false);
	const ask = view.asks.find((a) => a.station === here) ?? nothing;
	const opened = view.reckoning.figures.find((f) => f.key === figure);
	const pictured = hasPicture(view, here);
	const showPane = !pictured || flat || tape.busy;
	const taped =
		!view.job.signed &&
		!view.job.withdrawn &&
		(tape.busy || (here === "measure" && ask.kind === "reading"));
	const to = (s: string, pane?: number) => wayTo(view, s, pane);
	const tools = useAsk(view, ask, undo, (s, pane) => go(to(s, pane)));
	const onPane = (p: number) => go(`/jobs/${view.job.id}/${here}?pane=${p}`);
	function walk(by: number) {
		const at = view.route.findIndex((l) => l.station === here);
		const next = view.route[at + by];
		if (next) go(to(next.station));
	}
	function done() {
		if (ask.kind === "go" && ask.to) go(to(ask.to, ask.pane));
		else if (ask.kind === "sign") sign(true);
		else if (answerable(ask)) tools.answer();
	}
	useKeys({
		next: () => walk(1),
		before: () => walk(-1),
		done,
		all: tools.answerAll,
		pick: (n) => {
			const answer = ask.answers?.[n - 1];
			if (answer) tools.look(answer.id);
		},
		undo: tools.takeBack,
		pane: () => setFlat(!flat),
		find: () => go("/jobs"),
		help: () => setHelp(true),
	});
	return (
		<div className="flex h-full flex-col">
			<Title of={titleOf(view)} />
			<div className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:overflow-hidden">
				<Head view={view} />
				<RouteLine legs={view.route} to={to} here={here} />
				{view.job.withdrawn && <Withdrawn view={view} />}
				<main className="relative flex flex-none flex-col border-t border-rule lg:grid lg:min-h-0 lg:flex-1 lg:grid-cols-[1fr_432px] lg:grid-rows-[minmax(0,1fr)_auto]">
					<div className="relative flex min-w-0 flex-none flex-col lg:min-h-0">
						{showPane ? (
							<LightTable
								view={view}
								place={taped ? tape.place : null}
								onPick={tape.pick}
								onOpen={setFigure}
								onPane={onPane}
							/>
						) : (
							<StationTable
								station={here}
								view={view}
								ask={ask}
								tools={tools}
								onPane={onPane}
							/>
						)}
						{pictured && (
							<button
								type="button"
								aria-pressed={flat}
								onClick={() => setFlat(!flat)}
								className="absolute top-0 right-2 min-h-11 px-3 font-semibold underline underline-offset-4"
							>
								{flat ? "back to the work" : "the pane"}
							</button>
						)}
						{showPane && <OtherReadings view={view} tape={tape} />}
					</div>
					<Reckoning view={view} station={here} ask={ask} onPlace={tape.pick} />
					<TableTools view={view} />
				</main>
			</div>
			<Sheet
				title={opened ? `${opened.text}, ${opened.sentence}` : ""}
				open={opened !== undefined}
				onClose={() => setFigure(null)}
			>
				{opened && <WorkingView figure={opened} />}
			</Sheet>
			<Once open={help}>
				<KeysSheet open={help} onClose={() => setHelp(false)} />
			</Once>
			{taped ? (
				<TapeLine tape={tape} view={view} />
			) : (
				<AskLine
					view={view}
					ask={ask}
					tools={tools}
					to={to}
					onSign={() => sign()}
					tape={tape}
				/>
			)}
		</div>
	);
}

/** Where the signature stands. */
function sign(byKey = false) {
	const at = document.getElementById("sign-off");
	at?.scrollIntoView({ block: "center" });
	const take = () =>
		at?.querySelector<HTMLButtonElement>("[data-sign]")?.focus();
	// The key that asked for it must be let go before one can sign.
	if (byKey) window.addEventListener("keyup", take, { once: true });
	else take();
}

const nothing: Ask = { station: "prove", kind: "nothing", says: "" };

/** Whether Enter alone answers it. */
function answerable(ask: Ask): boolean {
	return (
		["step", "screw", "settle", "cause", "arrived", "back", "laid"].includes(
			ask.kind,
		) ||
		(ask.kind === "check" && !ask.unit)
	);
}

/** What it is called: the object, and whose it is. */
function titleOf({ job }: View): string {
	return `${job.object.name}, ${job.customer.name}`;
}

/** The address of a station of the pane on the table. */
function wayTo(view: View, station: string, other?: number): string {
	const pane = view.panes.length > 1 ? `?pane=${other || view.pane.id}` : "";
	return `/jobs/${view.job.id}/${station}${pane}`;
}

function Head({ view }: { view: View }) {
	const { job } = view;
	const [open, setOpen] = useState(false);
	const { late } = view;
	return (
		<header className="flex flex-wrap items-baseline justify-between gap-x-6 px-4 pt-2 pb-0.5 sm:px-7 sm:pt-3 sm:pb-1">
			<h1 className="min-w-0 flex-1 basis-56 text-[1.375rem] leading-7 font-semibold">
				<span className="max-sm:block">{job.object.name}</span>
				<span className="text-base font-normal text-ink-2 max-sm:mr-3 sm:ml-3">
					<button
						type="button"
						onClick={() => setOpen(true)}
						className="min-h-11 min-w-11 text-left underline decoration-rule underline-offset-4"
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
			<Once open={open}>
				<CustomerSheet view={view} open={open} onClose={() => setOpen(false)} />
			</Once>
			{job.carried && (
				<p className="order-last basis-full pb-1 text-[0.9375rem] text-ink-2">
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
						{late ? "late: promised " : "promised "}
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
		<span className="text-base font-normal sm:ml-4">
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
			<Once open={open}>
				<PanesSheet view={view} open={open} onClose={() => setOpen(false)} />
			</Once>
		</span>
	);
}
