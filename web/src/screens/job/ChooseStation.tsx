import { useState } from "react";
import { api, got } from "../../api/client";
import { on, useCatalogue, useJobWrite } from "../../api/hooks";
import type { Closed, Ranked, View } from "../../api/types";
import { Button } from "../../parts/Button";
import { FigureLine } from "../../parts/FigureLine";
import { Pick } from "../../parts/Pick";
import { ReasonForm } from "../../parts/ReasonForm";
import { Refusal } from "../../parts/Refusal";
import { useWeights } from "./useWeights";
import { WeightSliders } from "./WeightSliders";

type Settle = {
	material: string;
	thickness: number;
	reason?: string;
	seen?: string;
};

/** What stands it, best first, and what is ruled out by which number. */
export function ChooseStation({ view }: { view: View }) {
	const usual = view.reckoning.choice;
	const { choice, weights, moved, set, clear } = useWeights(view);
	const was = (material: string) =>
		usual.open.findIndex((r) => r.material === material) + 1;
	const write = useJobWrite<Settle>(view, (body) =>
		got(
			api.PUT("/api/jobs/{id}/choice", {
				params: on(view),
				body,
			}),
		),
	);
	const settled = view.pane.choice;
	const [open, setOpen] = useState<string | null>(
		settled?.material ?? choice.open[0]?.material ?? null,
	);
	return (
		<div className="mt-3">
			<p className="text-lg">{choice.advice}</p>
			{settled && (
				<p className="mt-1 border-l-4 border-now pl-3">
					Settled: {settled.thickness} mm {settled.material}, by {settled.by}.
				</p>
			)}
			<Refusal error={write.error} />
			<WeightSliders
				first={choice.open[0]}
				weights={weights}
				moved={moved}
				onMove={set}
				onClear={clear}
			/>
			<ol className="mt-3">
				{choice.open.map((r, n) => (
					<OpenMaterial
						key={r.material}
						ranked={r}
						rank={n + 1}
						was={was(r.material)}
						view={view}
						open={open === r.material}
						onOpen={() => setOpen(open === r.material ? null : r.material)}
						onSettle={(thickness) =>
							write.mutate({
								material: r.material,
								thickness,
								seen: settled?.material,
							})
						}
					/>
				))}
			</ol>
			<h2 className="mt-4 font-semibold">Ruled out</h2>
			<ul>
				{choice.closed.map((c) => (
					<ClosedMaterial
						key={c.material}
						closed={c}
						view={view}
						onSettle={(thickness, reason) =>
							write.mutate({
								material: c.material,
								thickness,
								reason,
								seen: settled?.material,
							})
						}
					/>
				))}
			</ul>
		</div>
	);
}

function OpenMaterial({
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
					<div className="my-2">
						<Pick
							label={`Thickness of ${ranked.name}`}
							value={thickness}
							onChange={setThickness}
							options={thicknessesOf(view, ranked).map((t) => ({
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
							{settled ? "Settled" : `Settle on ${thickness} mm ${ranked.name}`}
						</Button>
					)}
				</div>
			)}
		</li>
	);
}

function thicknessesOf(view: View, r: Ranked): number[] {
	return view.reckoning.material.id === r.material
		? view.reckoning.material.thicknesses
		: [r.thickness];
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

function ClosedMaterial({
	closed,
	view,
	onSettle,
}: {
	closed: Closed;
	view: View;
	onSettle: (thickness: number, reason: string) => void;
}) {
	const [asking, setAsking] = useState(false);
	const catalogue = useCatalogue();
	const all = catalogue.data?.materials.find((m) => m.id === closed.material);
	const thickness =
		all?.thicknesses.reduce((best, t) =>
			Math.abs(t - view.reckoning.thickness) <
			Math.abs(best - view.reckoning.thickness)
				? t
				: best,
		) ?? 4;
	return (
		<li data-material={closed.material}>
			<FigureLine
				figure={{
					...closed.figure,
					text: `${closed.figure.value} ${closed.figure.unit}`,
					verdict: "note",
					sentence: `${closed.name}: ${closed.sentence}`,
				}}
			/>
			{!view.job.signed &&
				(asking ? (
					<ReasonForm
						ask={`Why ${closed.name} all the same?`}
						act="Settle on it against the number"
						kind="stop"
						onAct={(reason) => onSettle(thickness, reason)}
						onLeave={() => setAsking(false)}
					/>
				) : (
					<button
						type="button"
						className="min-h-11 pl-3 text-[15px] text-ink-2 underline underline-offset-4"
						onClick={() => setAsking(true)}
					>
						all the same
					</button>
				))}
		</li>
	);
}
