import { useState } from "react";
import type { Ranked, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { FigureLine } from "../../../parts/FigureLine";
import { Pick } from "../../../parts/Pick";

/** A material that stands it, with its reasons and what to look up. */
export function OpenMaterial({
	ranked,
	rank,
	was,
	view,
	open,
	onOpen,
	onSettle,
}: {
	ranked: Ranked;
	rank: number;
	was: number;
	view: View;
	open: boolean;
	onOpen: () => void;
	onSettle: (thickness: number) => void;
}) {
	const [thickness, setThickness] = useState(String(ranked.thickness));
	const settled =
		view.pane.choice?.material === ranked.material &&
		view.pane.choice.thickness === Number(thickness);
	return (
		<li className="border-b border-rule" data-material={ranked.material}>
			<button
				type="button"
				aria-expanded={open}
				onClick={onOpen}
				className="grid min-h-14 w-full grid-cols-[1.5rem_1fr_auto] items-center gap-3 py-2 text-left"
			>
				<EdgeSwatch edge={ranked.edge} />
				<span>
					<strong className="text-lg">{ranked.name}</strong>
					{ranked.like && (
						<span className="text-ink-2"> · like the old one</span>
					)}
					{ranked.again && (
						<span className="font-semibold text-warn"> · may break again</span>
					)}
					{was > 0 && was !== rank && (
						<span className="text-ink-2" data-was={was}>
							{" "}
							· number {rank} now, {was} as usual
						</span>
					)}
				</span>
				<span className="font-figure text-xl font-semibold">
					{ranked.score.toFixed(1)}
					<span className="text-sm font-medium text-ink-2"> of 10</span>
				</span>
			</button>
			{open && (
				<div className="pb-3 pl-9">
					<p>{ranked.sentence}.</p>
					{ranked.again && (
						<p
							className="mt-1 border-l-4 border-warn bg-warn-wash px-3 py-1.5"
							data-again={ranked.material}
						>
							<strong className="text-warn">It may break again:</strong>{" "}
							{ranked.again}.
						</p>
					)}
					{ranked.asks.map((a) => (
						<p key={a} className="mt-1 border-l-4 border-rule pl-3" data-asks>
							{a}
						</p>
					))}
					<div className="my-2">
						<Pick
							label={`Thickness of ${ranked.name}`}
							value={thickness}
							onChange={setThickness}
							options={ranked.sold.map((t) => ({
								value: String(t),
								label: `${t} mm`,
							}))}
						/>
					</div>
					<FigureLine
						figure={{
							...ranked.figure,
							sentence: `score, number ${rank} of those that stand it`,
							text: ranked.score.toFixed(1),
						}}
					/>
					{!view.job.signed && (
						<Button
							kind={settled ? "plain" : "now"}
							disabled={settled}
							className="mt-2"
							onClick={() => onSettle(Number(thickness))}
						>
							{settled ? "Chosen" : `Choose ${thickness} mm ${ranked.name}`}
						</Button>
					)}
				</div>
			)}
		</li>
	);
}

/** The glass seen end-on: green soda-lime, amber heat glass, none for plastic. */
function EdgeSwatch({ edge }: { edge: string }) {
	return (
		<span
			aria-hidden="true"
			className="block h-7 w-3 border-x-[5px]"
			style={{
				borderColor: `var(--edge-${edge})`,
				background: `var(--fill-${edge})`,
			}}
		/>
	);
}
