import { memo } from "react";
import type { Ask, Drawing, View } from "../../api/types";
import { Odds } from "../../bench/Odds";
import { PlainDrawing } from "../../bench/PlainDrawing";
import { CautionLine } from "../../parts/CautionLine";
import { FigureLine } from "../../parts/FigureLine";
import { BothFaces } from "./assess/BothFaces";
import { OldPane } from "./assess/OldPane";
import { WhyItBroke } from "./assess/WhyItBroke";
import { ChooseStation } from "./choose/ChooseStation";
import { ThePack } from "./choose/ThePack";
import { Experience } from "./Experience";
import { HoldStation } from "./hold/HoldStation";
import { Timers } from "./hold/Timers";
import { OrderLine } from "./measure/OrderLine";
import { Witnesses } from "./measure/Witnesses";
import { ProveStation } from "./prove/ProveStation";
import { ThroughTime } from "./prove/ThroughTime";
import { Guests } from "./refit/Guests";
import { Rebuild } from "./refit/Rebuild";
import { StepList } from "./StepList";
import { Stops } from "./Stops";
import { ScrewTurns } from "./set/ScrewTurns";
import { Touch } from "./set/Touch";
import { SourceStation } from "./source/SourceStation";
import { LeafTick } from "./strip/LeafTick";
import { StripLog } from "./strip/StripLog";

type Props = {
	ask: Ask;
	view: View;
	station: string;
	onPlace: (place: string) => void;
};

// Where things are put in only for now.
const guested = ["strip", "prepare", "set", "hold", "refit"];

// Where something touches the pane.
const touching = ["prepare", "set", "refit"];

// These open from the order line and from the section.
const hidden = ["order_width", "order_height", "clearance_drawn", "bite_drawn"];

/** The column beside the table: problems first, then the answer, then the work. */
export const Reckoning = memo(function Reckoning({
	view,
	station,
	ask,
	onPlace,
}: Props) {
	const { reckoning } = view;
	const loud = reckoning.figures.filter(
		(f) => f.verdict === "stop" || f.verdict === "warn",
	);
	const calm = reckoning.figures.filter(
		(f) => !loud.includes(f) && !hidden.includes(f.key),
	);
	const measure = station === "measure";
	const sized = measure || station === "source";
	return (
		<section
			aria-label="Reckoning"
			// biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by the keyboard
			tabIndex={0}
			className="relative shrink-0 border-rule px-4 pt-3 pb-8 max-lg:border-t-2 sm:px-5 lg:row-span-2 lg:overflow-y-auto lg:border-l-2"
		>
			<Problems view={view} onPlace={onPlace} />
			{sized && <OrderLine view={view} />}
			{measure && reckoning.fit.chance && (
				<Odds chance={reckoning.fit.chance} view={view} onPlace={onPlace} />
			)}
			{measure && (
				<>
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
				</>
			)}
			{station === "assess" && (
				<>
					<ThroughTime view={view} />
					<WhyItBroke view={view} />
					<Experience view={view} kinds={["cause"]} />
				</>
			)}
			{station === "choose" && <ChooseStation view={view} />}
			{station === "source" && <SourceStation view={view} />}
			{station === "hold" && <HoldStation key={view.pane.id} view={view} />}
			{station === "prove" && <Stops view={view} stops={view.stops} />}
			{station === "strip" && <LeafTick view={view} />}
			<Timers key={`clocks ${view.pane.id}`} view={view} station={station} />
			<StepList view={view} station={station} here={ask.key} />
			{station === "set" && <ScrewTurns view={view} />}
			{guested.includes(station) && <Guests view={view} />}
			{touching.includes(station) && <Touch view={view} />}
			{station === "strip" && view.reckoning.road.how === "stick" && (
				<BothFaces key={view.pane.id} view={view} />
			)}
			{station === "strip" && <StripLog view={view} />}
			{station === "refit" && <Rebuild view={view} />}
			{measure && <OldPane view={view} />}
			{measure && reckoning.road.sized && (
				<Witnesses key={view.pane.id} view={view} />
			)}
			{station === "prove" && <ProveStation view={view} />}
			{station === "assess" && <Cautions view={view} />}
			{!sized && (
				<div className="mt-5">
					<OrderLine view={view} small />
				</div>
			)}
			{!measure && loud.length + calm.length > 0 && (
				<details className="mt-5">
					<summary className="min-h-11 cursor-pointer content-center font-semibold">
						{loud.length + calm.length} numbers of the pane
						{loud.length > 0 && (
							<span className="text-stop">, {loud.length} to look at</span>
						)}
					</summary>
					{[...loud, ...calm].map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
				</details>
			)}
		</section>
	);
});

/** Readings that cannot be right, each a way to its place. */
function Problems({
	view,
	onPlace,
}: {
	view: View;
	onPlace: (p: string) => void;
}) {
	const { odd } = view.reckoning.fit;
	const fault = view.reckoning.fault;
	const list = odd.map((o) => ({ place: o.place, words: o.sentence }));
	if (fault) {
		list.unshift({
			place: fault.field,
			words: `${fault.why}; ${fault.cure}.`,
		});
	}
	return list.map((p) => (
		<button
			key={p.place}
			type="button"
			onClick={() => onPlace(p.place)}
			className="mb-2 block w-full border-l-8 border-stop bg-stop-wash px-3 py-2 text-left"
		>
			<strong className="text-stop">Stop.</strong> {p.words}{" "}
			<span className="underline underline-offset-4">Go there</span>
		</button>
	));
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

function Cautions({ view }: { view: View }) {
	const { cautions, regrets } = view.reckoning.plan;
	return (
		<div className="mt-4">
			<h2 className="font-semibold">Before you touch it</h2>
			<ul>
				{cautions.map((c) => (
					<CautionLine key={c.id} caution={c} />
				))}
			</ul>
			<h2 className="mt-3 font-semibold">What others regret</h2>
			<ul className="list-['–_'] pl-4 text-ink-2">
				{regrets.map((r) => (
					<li key={r}>{r}</li>
				))}
			</ul>
			<p className="mt-3 text-ink-2">
				Local codes, the maker's instructions and people licensed for the work
				come first.
			</p>
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
