import { useState } from "react";
import type { Spotted, View } from "../../../api/types";
import { PeelMap, spots } from "../../../bench/PeelMap";
import { Button } from "../../../parts/Button";
import { FigureLine } from "../../../parts/FigureLine";
import { NumberRow } from "../../../parts/NumberRow";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { across, usePeel } from "./usePeel";

const sizes = [
	{ key: "length", label: "bond along", length: true },
	{ key: "width", label: "across", length: true },
] as const;

/** Both faces of the bond that let go, spot by spot, before they are scraped. */
export function BothFaces({ view }: { view: View }) {
	const [brush, setBrush] = useState<Spotted>("glass");
	const { size, setSize, map, spot, write, keep, seen } = usePeel(view);
	const { peeled } = view.reckoning;
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
						onTap={(n) => spot(n, map[n] === brush ? "" : brush)}
					/>
					<Refusal error={write.error} />
					<Button
						className="mt-2"
						disabled={write.isPending || seen === 0}
						onClick={keep}
					>
						Keep the map
					</Button>
				</>
			)}
		</section>
	);
}
