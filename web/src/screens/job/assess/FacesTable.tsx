import type { Spotted, View } from "../../../api/types";
import { PeelFace } from "../../../bench/PeelFace";
import { spots } from "../../../bench/PeelMap";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";
import { Ground } from "../table/Ground";
import { across, usePeel } from "./usePeel";

const order: (Spotted | "")[] = ["", ...spots.map((s) => s.id)];

/**
 * Both faces of a bond that let go, one above the other as they lay on one another.
 * A tap on a spot of either goes on to the next thing that it can show.
 */
export function FacesTable({ view }: { view: View }) {
	const { map, spot, seen, changed, write, keep } = usePeel(view);
	const { peeled } = view.reckoning;
	const { signed } = view.job;
	const tap = (n: number) => {
		if (signed) return;
		const at = order.indexOf(map[n] ?? "");
		spot(n, order[(at + 1) % order.length] ?? "");
	};
	return (
		<Ground
			says="tap each spot until it says what is there"
			foot={
				<div className="flex flex-wrap items-end gap-x-6 gap-y-2 pt-1">
					<div className="min-w-56 flex-1">
						{peeled ? (
							<>
								<p className="text-lg font-semibold">{peeled.says}</p>
								<p className="text-ink-2 max-sm:hidden">{peeled.do}</p>
							</>
						) : (
							<p className="text-ink-2">Nothing was looked at yet.</p>
						)}
						<Refusal error={write.error} />
					</div>
					{!signed && (changed || seen === 0) && (
						<Button disabled={write.isPending || seen === 0} onClick={keep}>
							Keep both faces
						</Button>
					)}
				</div>
			}
		>
			<div className="absolute inset-0 flex flex-col justify-center gap-3 px-4 sm:gap-5 sm:px-7">
				<PeelFace side="glass" across={across} map={map} onTap={tap} />
				<div className="max-sm:hidden">
					<PeelFace side="frame" across={across} map={map} onTap={tap} />
				</div>
				<ul className="flex flex-wrap gap-x-5 max-sm:hidden text-[0.94rem] text-ink-2">
					{spots.map((s) => (
						<li key={s.id}>
							<span aria-hidden="true" className="mr-1 font-semibold">
								{s.sign}
							</span>
							{s.name}
						</li>
					))}
				</ul>
			</div>
		</Ground>
	);
}
