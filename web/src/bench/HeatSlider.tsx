import type { View } from "../api/types";

/** From the coldest to the hottest: the loupe shows the edge as it is there. */
export function HeatSlider({
	stops,
	stop,
	onChange,
}: {
	stops: NonNullable<View["reckoning"]["fit"]["slide"]>;
	stop: number;
	onChange: (n: number) => void;
}) {
	const at = stops[stop];
	if (!at) return null;
	const broken = at.gap_low || at.bite_low;
	return (
		<label className="flex flex-nowrap! items-center gap-3 text-[0.9375rem]">
			<span className="text-ink-2">cold</span>
			<input
				type="range"
				min={0}
				max={stops.length - 1}
				value={stop}
				data-heat
				aria-label="From the coldest to the hottest"
				aria-valuetext={`pane ${Math.round(at.pane)} °C, frame ${Math.round(at.frame)} °C${broken ? ", a limit is broken" : ""}`}
				onChange={(e) => onChange(Number(e.target.value))}
				className="h-11 w-40 min-w-0 flex-1 accent-[var(--now)]"
			/>
			<span className={broken ? "font-semibold text-stop" : "text-ink-2"}>
				hot{broken && ", too little"}
			</span>
		</label>
	);
}
