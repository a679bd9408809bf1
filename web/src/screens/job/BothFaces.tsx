import { useState } from "react";
import type { Spotted, View } from "../../api/types";
import { PeelMap, spots } from "../../bench/PeelMap";
import { Button } from "../../parts/Button";
import { FigureLine } from "../../parts/FigureLine";
import { NumberRow } from "../../parts/NumberRow";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { heldOf, useHeldWrite } from "./held";

/** Enough to tell a corner from a side, few enough to tap. */
const across = 8;
const down = 3;

const sizes = [
	{ key: "length", label: "bond along, mm" },
	{ key: "width", label: "across, mm" },
] as const;

/** Both faces of the bond that let go, spot by spot, before they are scraped. */
export function BothFaces({ view }: { view: View }) {
	const had = view.pane.peel;
	const [size, setSize] = useState({
		length: had.length ?? 0,
		width: had.width ?? 0,
	});
	const [brush, setBrush] = useState<Spotted>("glass");
	const [map, setMap] = useState<(Spotted | "")[]>(() =>
		Array.from({ length: across * down }, (_, n) => had.spots?.[n] ?? ""),
	);
	const write = useHeldWrite(view);
	const { peeled } = view.reckoning;
	const seen = map.filter((s) => s !== "");
	const { signed } = view.job;
	return (
		<section aria-label="Both faces of the bond" className="mt-5">
			<h2 className="font-semibold">Both faces of the bond that let go</h2>
			{peeled && (
				<div data-peel={peeled.carried}>
					<p>{peeled.says}</p>
					<p className="border-l-4 border-now pl-3">{peeled.do}</p>
					{peeled.figures.map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
				</div>
			)}
			{!signed && (
				<>
					<NumberRow
						fields={sizes}
						values={size}
						onChange={(key, v) => setSize({ ...size, [key]: v })}
						error={(f) => write.error?.field(`peel.${f}`)}
						className="mt-2 grid-cols-2"
					/>
					<p className="mt-2 mb-1.5">
						Choose what a spot shows, and tap each that shows it.
					</p>
					<Pick
						label="What the spot shows"
						value={brush}
						onChange={setBrush}
						options={spots.map((s) => ({ value: s.id, label: s.name }))}
					/>
					<PeelMap
						across={across}
						map={map}
						onTap={(n) =>
							setMap(
								map.map((s, i) => (i === n ? (s === brush ? "" : brush) : s)),
							)
						}
					/>
					<Refusal error={write.error} />
					<Button
						className="mt-2"
						disabled={write.isPending || seen.length === 0}
						onClick={() =>
							write.mutate({
								...heldOf(view),
								peel: { ...size, spots: seen as Spotted[] },
							})
						}
					>
						Keep the map
					</Button>
				</>
			)}
		</section>
	);
}
