import { useRef, useState } from "react";
import type { Instrument, InstrumentEvent, View } from "../../../api/types";
import { Band } from "../../../app/Band";
import { fine } from "../../../app/fine";
import { useWho } from "../../../app/who";
import { Pad } from "../../../bench/Pad";
import { TapeBlade } from "../../../bench/TapeBlade";
import { Tray } from "./Tray";
import type { Tape } from "./useTape";

const instruments: Instrument[] = [
	"tape",
	"rule",
	"caliper",
	"laser",
	"feeler gauge",
	"traced line",
];

/** By which instrument a reading of the tray counts. */
const reads: Partial<Record<InstrumentEvent["name"], Instrument>> = {
	laser: "laser",
	caliper: "caliper",
	feeler: "feeler gauge",
	screw: "caliper",
};

/** The field along the bottom where a reading goes. */
export function TapeLine({ tape, view }: { tape: Tape; view: View }) {
	const [pad, setPad] = useState(false);
	const [tray, setTray] = useState(false);
	const { madeUp } = useWho();
	const field = useRef<HTMLInputElement>(null);
	if (view.job.signed) {
		return (
			<Band>
				<p className="flex flex-1 items-center px-4 text-on-band-2 sm:px-6">
					Signed off: the readings stay as they are.
				</p>
			</Band>
		);
	}
	return (
		<div>
			<TapeSays tape={tape} />
			<TapeEcho tape={tape} />
			{tray && (
				<Tray
					onReading={(e) => {
						tape.setText(`${e.value} mm`);
						tape.setInstrument(reads[e.name] ?? "tape");
						field.current?.focus();
					}}
				/>
			)}
			{pad && (
				<Pad
					onKey={(k) => tape.setText((tape.text + k).trimStart())}
					onEnter={tape.send}
					onBack={() => tape.setText(tape.text.trimEnd().slice(0, -1))}
					onClear={() => tape.setText("")}
				/>
			)}
			<Band>
				<form
					className="flex min-w-0 flex-1 items-stretch"
					onSubmit={(e) => {
						e.preventDefault();
						tape.send();
						field.current?.focus();
					}}
				>
					<span aria-hidden="true" className="my-1 w-4 bg-[#a7aca8]" />
					<div className="relative flex min-w-0 flex-1 items-end gap-3 overflow-hidden bg-tape px-3 pb-1.5 text-on-tape max-phone:flex-wrap max-phone:pt-1.5 sm:px-6">
						<TapeBlade
							value={tape.understood?.reading.value ?? null}
							unit={view.unit}
						/>
						<label
							htmlFor="tape-line"
							className="max-w-[38%] shrink-0 pb-1 leading-5 font-semibold max-sm:max-w-none max-sm:text-sm max-phone:w-full phone:max-sm:absolute phone:max-sm:top-1.5 phone:max-sm:left-3"
						>
							{tape.info?.name}
						</label>
						<input
							id="tape-line"
							ref={field}
							// biome-ignore lint/a11y/noAutofocus: the length is the one thing that is asked for
							autoFocus={fine()}
							value={tape.text}
							onChange={(e) => tape.setText(e.target.value)}
							onKeyDown={(e) => {
								if (e.key === "Escape") tape.setText("");
							}}
							autoComplete="off"
							inputMode={pad ? "none" : "text"}
							placeholder={tape.live ? tape.live.reading.text : "type a length"}
							aria-describedby="tape-said"
							aria-invalid={tape.wrong !== null || tape.refused !== null}
							className="font-figure min-h-12 w-20 min-w-0 flex-1 bg-transparent pt-3 text-3xl font-semibold outline-none placeholder:text-xl placeholder:font-medium placeholder:text-tape-faint sm:w-40"
						/>
						<p
							id="tape-said"
							className="hidden min-w-0 flex-1 truncate pb-1.5 text-on-tape lg:block"
						>
							{tape.understood?.said ?? tape.info?.how}
						</p>
						<button
							type="submit"
							disabled={tape.text.trim() === "" || tape.pending}
							className="min-h-12 shrink-0 self-end border-2 border-on-tape px-3 font-bold disabled:opacity-70 max-sm:px-2"
						>
							Enter
						</button>
					</div>
				</form>
				<div className="hidden shrink-0 flex-col justify-center sm:flex">
					<label className="sr-only" htmlFor="instrument">
						Instrument
					</label>
					<select
						id="instrument"
						value={tape.instrument}
						onChange={(e) => tape.setInstrument(e.target.value as Instrument)}
						className="min-h-12 bg-band px-2 font-semibold text-on-band"
					>
						{instruments.map((i) => (
							<option key={i}>{i}</option>
						))}
					</select>
				</div>
				<button
					type="button"
					aria-pressed={pad}
					onClick={() => {
						setPad(!pad);
						setTray(false);
					}}
					className="min-w-12 shrink-0 font-semibold aria-pressed:text-tape"
				>
					½ pad
				</button>
				{madeUp && (
					<button
						type="button"
						aria-pressed={tray}
						onClick={() => {
							setTray(!tray);
							setPad(false);
						}}
						className="hidden min-w-12 shrink-0 font-semibold aria-pressed:text-tape sm:block"
					>
						tray
					</button>
				)}
			</Band>
		</div>
	);
}

/** What was understood while it is typed, where the tape has no room for it. */
function TapeEcho({ tape }: { tape: Tape }) {
	if (tape.text.trim() === "" || !tape.understood) return null;
	return (
		<p
			className="bg-tape px-4 pt-1 text-lg font-semibold text-on-tape lg:hidden"
			data-echo
		>
			{tape.understood.said}
		</p>
	);
}

/** What the tape has to say: refusals, conflicts, and the way back. */
function TapeSays({ tape }: { tape: Tape }) {
	const line =
		"flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-1.5 sm:px-7 min-h-12";
	const act = "min-h-11 font-semibold underline underline-offset-4";
	if (tape.refused?.conflict) {
		return (
			<div role="alert" className={`${line} bg-stop-wash text-stop`}>
				<span>
					{tape.refused.message} Yours: <strong>{tape.text}</strong>
				</span>
				<button type="button" className={act} onClick={tape.leaveTheirs}>
					Leave theirs
				</button>
				<button type="button" className={act} onClick={tape.send}>
					Take mine
				</button>
			</div>
		);
	}
	const wrong = tape.refused ?? tape.wrong;
	if (wrong) {
		const fault = wrong.problem.errors?.[0];
		return (
			<div role="alert" className={`${line} bg-stop-wash text-stop`}>
				<span>
					<strong>Not kept.</strong> {wrong.message}.
				</span>
				{fault?.at !== undefined && (
					<code aria-hidden="true" className="font-figure text-lg">
						{tape.text.slice(0, fault.at)}
						<mark className="bg-stop px-1 text-ground">
							{tape.text.slice(fault.at, fault.at + 1) || "␣"}
						</mark>
						{tape.text.slice(fault.at + 1)}
					</code>
				)}
			</div>
		);
	}
	if (tape.undo || tape.live) {
		return (
			<div className={`${line} border-t border-rule text-ink-2`}>
				{tape.live && (
					<>
						<span>
							{tape.info?.name}: {tape.live.reading.text} by {tape.live.by},{" "}
							{tape.live.instrument}.
						</span>
						<button type="button" className={act} onClick={tape.removeLive}>
							Take it back
						</button>
					</>
				)}
				{tape.undo && (
					<button type="button" className={act} onClick={tape.takeBack}>
						Undo the last reading
					</button>
				)}
			</div>
		);
	}
	return null;
}
