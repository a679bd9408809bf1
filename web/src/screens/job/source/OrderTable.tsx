import { when } from "../../../app/when";
import { DimensionMark } from "../../../bench/Dimension";
import { eyeFor } from "../../../bench/fit";
import { Shapes } from "../../../bench/Shapes";
import { useSize } from "../../../bench/useSize";
import { Ground } from "../table/Ground";
import { PartTable } from "../table/PartTable";
import type { TableProps } from "../table/props";

/** The pane as drawn for the cutter, or the part that is bought as it comes. */
export default function OrderTable({ view }: TableProps) {
	const { reckoning, pane } = view;
	const { ordered } = reckoning;
	return (
		<Ground
			says={
				ordered
					? `to order, ${reckoning.table.seen}`
					: "what comes, and what goes where"
			}
			foot={
				pane.waits_for && (
					<p className="border-l-4 border-warn bg-warn-wash px-3 py-1">
						<strong>Waits for {pane.waits_for}</strong>
						{pane.waits_until && `, ${when(pane.waits_until)}`}
					</p>
				)
			}
		>
			{ordered ? (
				<Alone drawing={ordered} view={view} />
			) : (
				<PartTable view={view} />
			)}
		</Ground>
	);
}

function Alone({
	drawing,
	view,
}: {
	drawing: NonNullable<TableProps["view"]["reckoning"]["ordered"]>;
	view: TableProps["view"];
}) {
	const [ref, size] = useSize<HTMLDivElement>();
	const { reckoning } = view;
	const eye = eyeFor(drawing, {
		x: 24,
		y: 12,
		w: Math.max(40, size.w - 48),
		h: Math.max(40, size.h - 24),
	});
	const box = drawing.items.find((i) => i.id === "pane");
	const middle = eye.at(middleOf(box?.points ?? []));
	const notes = [
		reckoning.pane,
		view.pane.stock
			? "stock size, as it comes"
			: `±${reckoning.band.main} ${view.unit}`,
		view.job.object.stamp ? `stamp: ${view.job.object.stamp}` : "",
	].filter((n) => n);
	return (
		<div ref={ref} className="absolute inset-0">
			<svg
				width={size.w}
				height={size.h}
				role="img"
				aria-label={`${reckoning.order}, the pane alone`}
			>
				<Shapes
					items={drawing.items}
					eye={eye}
					edge={reckoning.material.edge}
				/>
				{drawing.items
					.filter((i) => i.kind === "dim")
					.map((i) => (
						<DimensionMark key={i.id} item={i} eye={eye} active={false} />
					))}
				{notes.map((n, i) => (
					<text
						key={n}
						x={middle.x}
						y={middle.y + (i - (notes.length - 1) / 2) * 26}
						textAnchor="middle"
						fontSize={i === 0 ? 22 : 16}
						fontWeight={i === 0 ? 700 : 500}
						fill="var(--ink)"
					>
						{n}
					</text>
				))}
			</svg>
		</div>
	);
}

function middleOf(points: { x: number; y: number }[]) {
	const xs = points.map((p) => p.x);
	const ys = points.map((p) => p.y);
	return {
		x: (Math.min(...xs) + Math.max(...xs)) / 2,
		y: (Math.min(...ys) + Math.max(...ys)) / 2,
	};
}
