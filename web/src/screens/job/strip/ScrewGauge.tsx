import { useState } from "react";
import { useWho } from "../../../app/who";
import { Button } from "../../../parts/Button";
import { useInstruments } from "../measure/useInstruments";

/** The simulated screw gauge: lay a screw in it, its size comes into the form. */
export function ScrewGauge({ onSize }: { onSize: (size: string) => void }) {
	const { madeUp } = useWho();
	const [open, setOpen] = useState(false);
	const [says, setSays] = useState("");
	const [truth, setTruth] = useState("4.2");
	const gauge = useInstruments(open, (e) => {
		if (e.name !== "screw") return;
		setSays(
			e.size
				? `${e.value} mm: ${e.size}`
				: `${e.value} mm: no size that is listed`,
		);
		if (e.size) onSize(e.size);
	});
	if (!madeUp) return null;
	if (!open) {
		return (
			<Button kind="quiet" onClick={() => setOpen(true)}>
				from the screw gauge
			</Button>
		);
	}
	const value = Number(truth.replace(",", "."));
	return (
		<div className="flex flex-wrap items-center gap-3">
			<label className="flex items-center gap-2 text-[0.9375rem]">
				simulated, true outside, mm
				<input
					value={truth}
					onChange={(e) => setTruth(e.target.value)}
					inputMode="decimal"
					className="font-figure min-h-12 w-20 border-b-2 border-ink bg-lit px-2"
				/>
			</label>
			<Button
				disabled={Number.isNaN(value) || !gauge.linked}
				onClick={() => void gauge.press("screw", value, "good")}
			>
				Press the gauge
			</Button>
			<p role="status" className="text-ink-2">
				{gauge.error?.message ?? says}
			</p>
		</div>
	);
}
