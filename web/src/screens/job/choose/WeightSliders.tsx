import type { Ranked } from "../../../api/types";
import { Button } from "../../../parts/Button";
import type { Weights } from "./useWeights";

/** The judgements with how much each counts; moving one ranks anew. */
export function WeightSliders({
	first,
	weights,
	moved,
	onMove,
	onClear,
}: {
	first: Ranked | undefined;
	weights: Weights;
	moved: boolean;
	onMove: (judgement: string, weight: number) => void;
	onClear: () => void;
}) {
	if (!first) return null;
	return (
		<details className="mt-3 border-y border-rule" open={moved}>
			<summary className="min-h-12 cursor-pointer content-center font-semibold">
				What counts how much
			</summary>
			<div className="grid gap-x-5 gap-y-1 pb-3 sm:grid-cols-2">
				{(first.reasons ?? []).map((r) => {
					const value = weights[r.judgement] ?? r.weight;
					return (
						<label key={r.judgement} className="flex flex-col">
							<span className="flex justify-between">
								{r.name}
								<span className="font-figure font-semibold">{value}</span>
							</span>
							<input
								type="range"
								min={0}
								max={10}
								step={1}
								value={value}
								data-weight={r.judgement}
								aria-label={`${r.name}, how much it counts`}
								onChange={(e) => onMove(r.judgement, Number(e.target.value))}
								className="h-11 w-full accent-[var(--now)]"
							/>
						</label>
					);
				})}
			</div>
			<p className="pb-3 text-ink-2">
				Judgement, not physics; the gates below do not move. Kept on this
				device.{" "}
				{moved && (
					<Button kind="quiet" onClick={onClear}>
						as usual again
					</Button>
				)}
			</p>
		</details>
	);
}
