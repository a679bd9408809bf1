import { useState } from "react";
import { BarRows } from "../../../bench/BarRows";
import { Bars } from "../../../bench/Bars";
import { useSize } from "../../../bench/useSize";
import { Ground } from "../table/Ground";
import type { TableProps } from "../table/props";
import { PackThrough } from "./PackThrough";
import { WhyStands } from "./WhyStands";

/** Below this width there is no room for a column each, px. */
const narrow = 520;

/** What the place asks against what each pane stands. */
export default function AsksTable({ view }: TableProps) {
	const [ref, size] = useSize<HTMLDivElement>();
	const { stands, open } = view.reckoning.choice;
	const [key, setKey] = useState<string>(worst(stands));
	const aspect = stands.find((a) => a.key === key) ?? stands[0];
	const [why, setWhy] = useState<string>();
	const through = key === "pack" && view.reckoning.pack !== undefined;
	if (!aspect) return <Ground says="nothing is chosen here">{null}</Ground>;
	return (
		<Ground
			says={
				through
					? "how warm each face of the pack gets"
					: "what this place asks, and what each pane stands"
			}
			foot={
				<fieldset className="flex flex-wrap gap-x-1">
					<legend className="sr-only">What is compared</legend>
					{view.reckoning.pack && (
						<span className="max-sm:hidden">
							<Tab
								on={through}
								id="pack"
								onPick={setKey}
								says="Through the pack"
							/>
						</span>
					)}
					{stands.map((a) => {
						const short = a.stand.filter((s) => s.known && s.left < 0).length;
						return (
							<Tab
								key={a.key}
								on={!through && a.key === aspect.key}
								id={a.key}
								onPick={setKey}
								says={a.name}
								short={a.key === "cost" ? 0 : short}
							/>
						);
					})}
				</fieldset>
			}
		>
			<div ref={ref} className="absolute inset-x-3 inset-y-1">
				{through ? (
					<div
						className="mx-auto"
						style={{
							width: Math.min(
								size.w,
								size.h * (size.w < narrow ? 400 / 300 : 640 / 300),
							),
						}}
					>
						<PackThrough view={view} narrow={size.w < narrow} />
					</div>
				) : size.w < narrow ? (
					<BarRows
						aspect={aspect}
						width={size.w}
						height={size.h}
						onWhy={setWhy}
					/>
				) : (
					<Bars
						aspect={aspect}
						width={size.w}
						height={size.h}
						here={view.pane.choice?.material ?? open[0]?.material}
						onWhy={setWhy}
					/>
				)}
				<WhyStands
					view={view}
					aspect={aspect}
					material={why}
					onClose={() => setWhy(undefined)}
				/>
			</div>
		</Ground>
	);
}

/** One thing that is compared, with how many are short of it. */
function Tab({
	id,
	says,
	on,
	short = 0,
	onPick,
}: {
	id: string;
	says: string;
	on: boolean;
	short?: number;
	onPick: (id: string) => void;
}) {
	return (
		<button
			type="button"
			aria-pressed={on}
			onClick={() => onPick(id)}
			data-aspect={id}
			className="min-h-12 border-b-4 border-transparent px-2 font-semibold text-ink-2 aria-pressed:border-ink aria-pressed:text-ink sm:px-3"
		>
			{says}
			{short > 0 && (
				<span className="ml-1 text-[0.9375rem] font-normal text-stop">
					{short} short
				</span>
			)}
		</button>
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
