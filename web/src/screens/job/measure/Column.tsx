import type { Drawing, View } from "../../../api/types";
import { later } from "../../../app/later";
import { Odds } from "../../../bench/Odds";
import { PlainDrawing } from "../../../bench/PlainDrawing";
import { FigureLine } from "../../../parts/FigureLine";
import { ThePack } from "../choose/ThePack";
import { type ColumnProps, figuresOf } from "../column";
import { OrderLine } from "./OrderLine";

const Witnesses = later(() => import("./Witnesses"), "Witnesses");
const OldPane = later(() => import("../assess/OldPane"), "OldPane");

/** Measure: the size, its margins and what is still to read. */
export default function Column({ view, steps, onPlace }: ColumnProps) {
	const { reckoning } = view;
	const { loud, calm } = figuresOf(view);
	return (
		<>
			<OrderLine view={view} />
			{reckoning.fit.chance && (
				<Odds chance={reckoning.fit.chance} view={view} onPlace={onPlace} />
			)}
			{loud.map((f) => (
				<FigureLine key={f.key} figure={f} />
			))}
			{reckoning.lift && (
				<section
					aria-label="How it goes in"
					className="border-b border-rule py-3"
				>
					<h2 className="mb-2 font-semibold">How it goes in</h2>
					<PlainDrawing
						drawing={reckoning.lift}
						edge={reckoning.material.edge}
						label={liftWords(reckoning.lift)}
					/>
				</section>
			)}
			<ThePack view={view} />
			{calm.map((f) => (
				<FigureLine key={f.key} figure={f} />
			))}
			<StillToRead view={view} onPlace={onPlace} />
			{steps}

			<OldPane view={view} />
			{reckoning.road.sized && <Witnesses key={view.pane.id} view={view} />}
		</>
	);
}

function StillToRead({
	view,
	onPlace,
}: {
	view: View;
	onPlace: (p: string) => void;
}) {
	const { missing, ready } = view.reckoning.fit;
	if (missing.length === 0) return null;
	return (
		<div className="mt-3">
			<h2 className="font-semibold">
				{ready ? "Would still help" : "Still to read"}
			</h2>
			<ul>
				{missing.map((m) => (
					<li key={m.place}>
						<button
							type="button"
							onClick={() => onPlace(m.place)}
							className="min-h-11 w-full text-left"
						>
							<span className="underline underline-offset-4">{m.name}</span>
							<span className="text-ink-2">: {m.why}</span>
						</button>
					</li>
				))}
			</ul>
		</div>
	);
}

/** The three positions in words, for who cannot see them. */
function liftWords(lift: Drawing): string {
	return lift.items
		.filter((i) => i.kind === "text")
		.map((i) => i.text)
		.join(", ");
}
