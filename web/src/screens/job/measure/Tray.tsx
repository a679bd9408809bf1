import { useState } from "react";
import type { InstrumentEvent } from "../../../api/types";
import { type Day, useInstruments } from "./useInstruments";

const names: InstrumentEvent["name"][] = [
	"laser",
	"caliper",
	"tape",
	"feeler",
	"climate",
];
const days: { value: Day; label: string }[] = [
	{ value: "good", label: "a good day" },
	{ value: "low", label: "low battery" },
	{ value: "drop", label: "connection drops" },
];

function words(e: InstrumentEvent | undefined): string {
	if (!e) return "nothing yet";
	if (!e.has) return "out of range";
	const v =
		e.name === "climate" ? `${e.value} °C · ${e.damp} %` : `${e.value} mm`;
	return e.state === "low-battery" ? `${v}, low battery` : v;
}

/** The simulated instruments: hold one to a true length and press it. */
export function Tray({
	onReading,
}: {
	onReading: (e: InstrumentEvent) => void;
}) {
	const [truth, setTruth] = useState("300");
	const [day, setDay] = useState<Day>("good");
	const tray = useInstruments(true, onReading);
	const value = Number(truth.replace(",", "."));
	const field = "min-h-11 bg-[#2b3231] px-2 text-on-band";
	return (
		<section
			aria-label="Instrument tray"
			className="on-band flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-on-band-2 bg-band px-4 py-2 text-on-band sm:px-7"
		>
			<p role="status" className="text-on-band-2">
				Simulated, {tray.linked ? "linked" : "not linked"}
			</p>
			<label className="flex items-center gap-2">
				true length, mm
				<input
					value={truth}
					onChange={(e) => setTruth(e.target.value)}
					inputMode="decimal"
					className={`${field} font-figure w-24`}
				/>
			</label>
			<label className="flex items-center gap-2">
				<span className="sr-only">kind of day</span>
				<select
					value={day}
					onChange={(e) => setDay(e.target.value as Day)}
					className={field}
				>
					{days.map((d) => (
						<option key={d.value} value={d.value}>
							{d.label}
						</option>
					))}
				</select>
			</label>
			{names.map((n) => (
				<button
					key={n}
					type="button"
					data-instrument={n}
					onClick={() => void tray.press(n, value, day)}
					disabled={Number.isNaN(value)}
					className="min-h-11 border-2 border-on-band-2 px-3 text-left leading-4 active:bg-tape active:text-on-tape"
				>
					<strong className="block">{n}</strong>
					<span className="text-sm">{words(tray.last[n])}</span>
				</button>
			))}
			{tray.error && (
				<p role="alert" className="text-tape">
					{tray.error.message}
				</p>
			)}
		</section>
	);
}
