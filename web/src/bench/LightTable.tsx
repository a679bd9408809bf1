import { useMemo, useState } from "react";
import type { View } from "../api/types";
import { Dimension } from "./Dimension";
import { eyeFor, type Frame } from "./fit";
import { HeatSlider } from "./HeatSlider";
import { Loupe } from "./Loupe";
import { ObjectMap } from "./ObjectMap";
import { Shapes } from "./Shapes";
import { useSize } from "./useSize";

type Props = {
	view: View;
	place: string | null;
	onPick: (place: string) => void;
	onOpen: (figure: string) => void;
	onPane: (pane: number) => void;
};

/** Below this width the loupe stands under the pane, where there is height for it, px. */
const narrow = 620;

/** On a lower table there is no room for the key above the loupe, px. */
const keyed = 390;

/** What the other panes of the object take above the loupe, px. */
const mapped = 96;

/** The pane and its frame to scale on the lit ground, with all that is known. */
export function LightTable({ view, place, onPick, onOpen, onPane }: Props) {
	const [ref, size] = useSize<HTMLDivElement>();
	const { table, section, material, walk } = view.reckoning;
	const several = view.panes.length > 1;
	const frames = useMemo(
		() => layOut(size.w, size.h, several),
		[size.w, size.h, several],
	);
	const eye = useMemo(() => eyeFor(table, frames.pane), [table, frames.pane]);
	const shapes = useMemo(
		() => table.items.filter((i) => i.kind !== "dim"),
		[table.items],
	);
	const dims = table.items.filter((i) => i.kind === "dim");
	const active = dims.find((d) => d.place === place);
	const info = walk.find((p) => p.place === place);
	const corner = eye.at(cornerOf(view));
	const lens = frames.loupe;
	const low = size.h < keyed;
	const stops = view.reckoning.fit.slide ?? [];
	const middle = Math.floor(stops.length / 2);
	const [heat, setHeat] = useState<number | null>(null);
	const stop = Math.min(heat ?? middle, Math.max(0, stops.length - 1));
	const shown = view.reckoning.slide[stop] ?? section;
	return (
		<div
			ref={ref}
			data-ground
			className="lit relative min-h-[540px] flex-1 overflow-hidden sm:min-h-[420px] lg:min-h-0"
		>
			{/* biome-ignore lint/a11y/useSemanticElements: a drawing is a group of parts, not of form fields */}
			<svg
				width={size.w}
				height={size.h}
				className="absolute inset-0"
				role="group"
				aria-label={`${view.reckoning.pane} in its frame, ${table.seen}`}
			>
				<defs>
					<pattern
						id="cut-through"
						width="9"
						height="9"
						patternUnits="userSpaceOnUse"
						patternTransform="rotate(45)"
					>
						<rect width="9" height="9" fill="var(--metal)" />
						<path d="M0 0v9" stroke="var(--ink-2)" strokeWidth="1.6" />
					</pattern>
				</defs>
				<Shapes items={shapes} eye={eye} edge={material.edge} />
				{dims
					.filter((d) => d !== active)
					.map((d) => (
						<Dimension
							key={d.id}
							item={d}
							eye={eye}
							active={false}
							onPick={onPick}
						/>
					))}
				{active && (
					<Dimension
						item={active}
						eye={eye}
						active
						name={info?.name}
						onPick={onPick}
					/>
				)}
				<circle
					cx={corner.x}
					cy={corner.y}
					r={13}
					fill="none"
					stroke="var(--ink)"
					strokeWidth={1.5}
				/>
				<line
					x1={corner.x + 13}
					y1={corner.y}
					x2={lens.x + lens.w * 0.16}
					y2={lens.y + lens.h * 0.18}
					stroke="var(--ink)"
					strokeDasharray="2 4"
				/>
				<Loupe
					section={stop === middle ? section : shown}
					edge={material.edge}
					frame={lens}
					onOpen={onOpen}
				/>
			</svg>
			<p className="pointer-events-none absolute top-3 left-4 text-[0.9375rem] sm:max-w-[48%] text-ink-2 sm:left-7">
				{table.seen}
			</p>
			{stops.length > 0 && (
				<div className="absolute right-4 bottom-0.5 max-phone:left-4">
					<HeatSlider stops={stops} stop={stop} onChange={setHeat} />
				</div>
			)}
			<div
				data-beside
				className="absolute top-3 right-5 hidden items-start gap-6 sm:flex"
			>
				{several && (
					<ObjectMap drawing={view.object} width={132} onPick={onPane} />
				)}
				{!low && <Key view={view} />}
			</div>
		</div>
	);
}

/** The place that the loupe looks at: the uppermost right of the opening. */
function cornerOf(view: View) {
	const { items } = view.reckoning.table;
	const opening =
		items.find((i) => i.id === "opening") ??
		items.find((i) => i.id === "socket-upper");
	const far = (p: { x: number; y: number }) => p.x + p.y;
	return (opening?.points ?? []).reduce(
		(best, p) => (far(p) > far(best) ? p : best),
		opening?.points[0] ?? { x: 0, y: 0 },
	);
}

function layOut(
	w: number,
	h: number,
	several: boolean,
): { pane: Frame; loupe: Frame } {
	if (w < narrow && h > 0.75 * w) {
		const r = Math.min(w * 0.5, h * 0.36, 240);
		return {
			pane: { x: 12, y: 52, w: w - 24, h: Math.max(60, h - r - 104) },
			loupe: { x: w - r - 8, y: h - r - 46, w: r, h: r },
		};
	}
	const slider = 34;
	const low = h < keyed;
	const above = several && low ? mapped : 0;
	const room = h - above - slider - 10;
	const r = Math.max(0, Math.min(w * 0.4, h * 0.66, 330, room));
	return {
		pane: { x: 24, y: 40, w: w - r - 24 - 30, h: h - (low ? 78 : 60) },
		loupe: { x: w - r - 16, y: h - r - 10 - slider, w: r, h: r },
	};
}

function Key({ view }: { view: View }) {
	const { material, pane, first, assumed, family, table, road } =
		view.reckoning;
	const flange = table.items.find((i) => i.id === "new-flange");
	return (
		<ul className="pointer-events-none text-[0.9375rem] text-ink">
			<li className="flex items-center gap-3">
				<span className="w-7 border-t-2 border-wax" /> read here
			</li>
			<li className="flex items-center gap-3">
				<span
					className="w-7 border-t-4"
					style={{ borderColor: `var(--edge-${material.edge})` }}
				/>
				{road.settled
					? assumed
						? `${first || pane}, not chosen`
						: pane
					: road.headline}
			</li>
			{family.tightening !== "" && (
				<li className="flex items-center gap-3">
					<span className="w-7 text-center font-bold">1 2</span> order to snug
				</li>
			)}
			{flange && (
				<li className="flex items-center gap-3">
					<span
						className={`w-7 border-t-2 ${flange.state === "odd" ? "border-dashed border-stop" : "border-computed"}`}
					/>
					{flange.state === "odd"
						? "new flange, may show the old mark"
						: "new flange, hides the old mark"}
				</li>
			)}
		</ul>
	);
}
