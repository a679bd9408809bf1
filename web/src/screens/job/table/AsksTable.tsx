import { useState } from "react";
import { BarRows } from "../../../bench/BarRows";
import { Bars } from "../../../bench/Bars";
import { useSize } from "../../../bench/useSize";
import { Ground } from "./Ground";
import type { TableProps } from "./StationTable";

/** Below this width there is no room for a column each, px. */
const narrow = 520;

/** What the place asks against what each pane stands. */
export default function AsksTable({ view }: TableProps) {
	const [ref, size] = useSize<HTMLDivElement>();
	const { stands, open } = view.reckoning.choice;
	const [key, setKey] = useState<string>(worst(stands));
	const aspect = stands.find((a) => a.key === key) ?? stands[0];
	if (!aspect) return <Ground says="nothing is chosen here">{null}</Ground>;
	return (
		<Ground
			says="what this place asks, and what each pane stands"
			foot={
				<fieldset className="flex flex-wrap gap-x-1">
					<legend className="sr-only">What is compared</legend>
					{stands.map((a) => {
						const short = a.stand.filter((s) => s.known && s.left < 0).length;
						return (
							<button
								key={a.key}
								type="button"
								aria-pressed={a.key === aspect.key}
								onClick={() => setKey(a.key)}
								data-aspect={a.key}
								className="min-h-12 border-b-4 border-transparent px-2 font-semibold sm:px-3 text-ink-2 aria-pressed:border-ink aria-pressed:text-ink"
							>
								{a.name}
								{short > 0 && a.key !== "cost" && (
									<span className="ml-1 text-[15px] font-normal text-stop">
										{short} short
									</span>
								)}
							</button>
						);
					})}
				</fieldset>
			}
		>
			<div ref={ref} className="absolute inset-x-3 inset-y-1">
				{size.w < narrow ? (
					<BarRows aspect={aspect} width={size.w} height={size.h} />
				) : (
					<Bars
						aspect={aspect}
						width={size.w}
						height={size.h}
						here={view.pane.choice?.material ?? open[0]?.material}
					/>
				)}
			</div>
		</Ground>
	);
}

/** What rules most of them out is looked at first. */
function worst(stands: TableProps["view"]["reckoning"]["choice"]["stands"]) {
	const short = (a: (typeof stands)[number]) =>
		a.key === "cost" ? -1 : a.stand.filter((s) => s.left < 0).length;
	let most = stands[0];
	for (const a of stands) if (!most || short(a) > short(most)) most = a;
	return most?.key ?? "steady";
}
