import { useState } from "react";
import { Link } from "react-router";
import { useHold } from "../../../api/hold";
import type { Ask, View } from "../../../api/types";
import { Band } from "../../../app/Band";
import { fine } from "../../../app/fine";
import { later } from "../../../app/later";
import { when } from "../../../app/when";
import { layForm } from "../hold/layForm";
import type { Tape } from "../measure/useTape";
import { airPlace } from "./airPlace";
import { type AskTools, together } from "./useAsk";

const AirAnswer = later(() => import("./AirAnswer"), "AirAnswer");

/** What the key that answers says. */
const keys: Partial<Record<Ask["kind"], string>> = {
	step: "Done",
	screw: "Done",
	settle: "Choose",
	cause: "This is why",
	arrived: "It has come",
	back: "In",
};

const key =
	"min-h-12 shrink-0 border-2 border-on-tape px-5 font-bold disabled:opacity-60";

/** The line along the bottom: the one next thing, and what answers it. */
export function AskLine({
	view,
	ask,
	tools,
	to,
	onSign,
	tape,
}: {
	view: View;
	ask: Ask;
	tools: AskTools;
	to: (station: string, pane?: number) => string;
	onSign: () => void;
	tape: Tape;
}) {
	// While it hardens, its air is the one thing that can be told.
	// Before a clock begins, somebody reads it.
	const hold = useHold(view, ask.kind === "laid");
	const unread = ask.kind === "laid" && hold.data && !hold.data.air;
	const air =
		ask.kind === "wait" ? airPlace(view, ask.key) : unread ? "bench" : null;
	const quiet = (ask.kind === "wait" && !air) || ask.kind === "nothing";
	return (
		<div>
			<LineSays tools={tools} tape={tape} />
			<Band>
				<div
					data-line={ask.kind}
					data-line-key={ask.key}
					className={`flex min-w-0 flex-1 flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2 sm:px-6 ${ask.kind === "stop" ? "bg-stop-wash text-stop" : quiet ? "text-on-band" : "bg-tape text-on-tape"}`}
				>
					<p className="min-w-0 flex-1 basis-40 leading-5">
						<strong className="text-lg">
							{ask.kind === "stop" && "Stop: "}
							{air ? airAsks[air] : ask.says}
						</strong>
						<Aside ask={ask} view={view} />
					</p>
					{air && <AirAnswer view={view} place={air} />}
					{unread ? null : (
						<Answer
							key={`${ask.kind} ${ask.key} ${ask.at} ${ask.pass}`}
							view={view}
							ask={ask}
							tools={tools}
							to={to}
							onSign={onSign}
						/>
					)}
				</div>
			</Band>
		</div>
	);
}

const airAsks = {
	bench: "What does the bench say?",
	van: "What does the van say?",
	yard: "What does the yard say?",
};

/** What stands beside it: what is waited for, what good looks like. */
function Aside({ ask, view }: { ask: Ask; view: View }) {
	const words = [
		ask.kind === "wait" ||
		ask.kind === "stop" ||
		ask.kind === "laid" ||
		ask.kind === "back" ||
		ask.kind === "check"
			? ask.why
			: "",
		ask.until ? `until ${when(ask.until)}` : "",
		ask.kind === "screw" ? `pass ${ask.pass} of 3` : "",
		ask.run ? `then ${thenTitles(view, ask)}` : "",
	].filter((w) => w);
	if (words.length === 0) return null;
	return <span className="block text-[0.9375rem]">{words.join(", ")}</span>;
}

/** What follows in the run, by name. */
function thenTitles(view: View, ask: Ask): string {
	return (ask.run ?? [])
		.slice(1)
		.map((k) => view.reckoning.plan.steps.find((s) => s.key === k)?.title)
		.filter((t) => t)
		.join("; ")
		.toLowerCase();
}

function Answer({
	view,
	ask,
	tools,
	to,
	onSign,
}: {
	view: View;
	ask: Ask;
	tools: AskTools;
	to: (station: string, pane?: number) => string;
	onSign: () => void;
}) {
	const [value, setValue] = useState("");
	if (ask.kind === "look") {
		return (
			<>
				<a
					href="#why-it-broke"
					className={`${key} grid place-items-center sm:hidden`}
				>
					Say
				</a>
				<fieldset className="flex flex-wrap gap-2 max-sm:hidden">
					<legend className="sr-only">{ask.says}</legend>
					{ask.answers?.map((a, n) => (
						<button
							key={a.id}
							type="button"
							disabled={tools.pending}
							className="min-h-12 border-2 border-on-tape px-3 font-semibold"
							onClick={() => tools.look(a.id)}
						>
							<span aria-hidden="true" className="mr-2 text-sm opacity-70">
								{n + 1}
							</span>
							{a.say}
						</button>
					))}
				</fieldset>
			</>
		);
	}
	if (ask.kind === "laid") {
		return (
			<span className="flex flex-wrap gap-2">
				<Link
					className="grid min-h-12 shrink-0 place-items-center border-2 border-on-tape/50 px-3 font-semibold"
					to={{ search: location.search, hash: layForm }}
				>
					Other
				</Link>
				<OtherKeys ask={ask} answers={ask.answers?.slice(1)} tools={tools} />
				<button
					type="button"
					className={`${key} first-letter:uppercase`}
					disabled={tools.pending}
					onClick={() => tools.answer()}
					data-answer
				>
					{ask.answers?.[0]?.say}
				</button>
			</span>
		);
	}
	if (ask.kind === "go" && ask.to) {
		const name = view.route.find((l) => l.station === ask.to)?.name ?? ask.to;
		return (
			<Link
				className={`${key} grid place-items-center`}
				to={to(ask.to, ask.pane)}
			>
				On to {name}
			</Link>
		);
	}
	if (ask.kind === "stop" && ask.station !== "prove") {
		return (
			<Link
				className="grid min-h-12 place-items-center border-2 border-stop px-5 font-bold"
				to={to("prove")}
			>
				See it
			</Link>
		);
	}
	if (ask.kind === "sign") {
		return (
			<button type="button" className={key} onClick={onSign}>
				Sign
			</button>
		);
	}
	if (ask.kind === "check" && ask.unit) {
		const asks = view.checks.find((c) => c.key === ask.key)?.asks ?? ask.unit;
		const good = value.trim() !== "";
		return (
			<form
				className="flex items-center gap-2"
				onSubmit={(e) => {
					e.preventDefault();
					if (good) tools.answer(value);
				}}
			>
				<label className="flex items-center gap-2">
					<span className="sr-only">{ask.says}</span>
					<input
						value={value}
						onChange={(e) => setValue(e.target.value)}
						inputMode={asks === "in" ? "text" : "decimal"}
						maxLength={60}
						autoComplete="off"
						// biome-ignore lint/a11y/noAutofocus: the number is the one thing that is asked for
						autoFocus={fine()}
						className="font-figure min-h-12 w-24 border-b-2 border-on-tape bg-transparent px-2 text-2xl font-semibold outline-none"
					/>
					{asks}
				</label>
				<button type="submit" className={key} disabled={!good || tools.pending}>
					Keep
				</button>
			</form>
		);
	}
	const says =
		ask.kind === "check"
			? ask.panes
				? "On this one"
				: "It is so"
			: ask.kind === "back" && (ask.of ?? 1) > 1
				? `All ${ask.of} in`
				: keys[ask.kind];
	if (!says) return null;
	const all = together(ask);
	return (
		<span
			className={`flex flex-wrap gap-2 ${all > 1 ? "max-sm:w-full max-sm:justify-end" : ""}`}
		>
			{all > 1 && (
				<button
					type="button"
					className="min-h-12 shrink-0 border-2 border-on-tape/50 px-3 font-semibold disabled:opacity-60"
					disabled={tools.pending}
					onClick={tools.answerAll}
					data-answer-all
				>
					{ask.kind === "screw"
						? "The whole pass"
						: ask.panes
							? `On all ${all} panes`
							: `All ${all}`}
				</button>
			)}
			{ask.kind === "step" && (
				<OtherKeys ask={ask} answers={ask.answers} tools={tools} />
			)}
			<button
				type="button"
				className={`${key} sm:min-w-32`}
				disabled={tools.pending}
				onClick={() => tools.answer()}
				data-answer
			>
				{says}
			</button>
		</span>
	);
}

/** What else may be said, beside the usual: a fast bond, or that it was just painted. */
function OtherKeys({
	ask,
	answers,
	tools,
}: {
	ask: Ask;
	answers: Ask["answers"];
	tools: AskTools;
}) {
	return answers?.map((a) => (
		<button
			key={a.id}
			type="button"
			className="min-h-12 shrink-0 border-2 border-on-tape/50 px-3 font-semibold first-letter:uppercase disabled:opacity-60"
			disabled={tools.pending}
			onClick={() => tools.answer(a.id)}
			data-answer-other={a.id}
		>
			{a.say}
			{ask.panes ? `, all ${ask.panes}` : ""}
		</button>
	));
}

/** What was refused, or the way back from the last answer. */
function LineSays({ tools, tape }: { tools: AskTools; tape: Tape }) {
	const line =
		"flex min-h-12 flex-wrap items-center gap-x-5 gap-y-1 px-4 py-1.5 sm:px-7";
	if (tools.error) {
		return (
			<p role="alert" className={`${line} bg-stop-wash text-stop`}>
				<span>
					<strong>Not kept.</strong> {tools.error.message}
				</span>
			</p>
		);
	}
	if (!tools.undo && !tape.undo) return null;
	if (!tools.undo) {
		return (
			<p className={`${line} border-t border-rule text-ink-2`}>
				<button
					type="button"
					className="min-h-11 font-semibold underline underline-offset-4"
					onClick={tape.takeBack}
				>
					Undo the last reading
				</button>
			</p>
		);
	}
	return (
		<p className={`${line} border-t border-rule text-ink-2`}>
			<span className="min-w-0 truncate">{tools.undo.says}: noted.</span>
			<button
				type="button"
				className="min-h-11 font-semibold underline underline-offset-4"
				onClick={tools.takeBack}
			>
				Undo
			</button>
		</p>
	);
}
