import type { CheckView, View } from "../api/types";
import { gapAt, gapPlaces, paneOf } from "./gaps";

/** How many px a millimetre of the gap is drawn wide, and how far at most. */
const wider = 12;
const widest = 64;

/** The opening as large as it goes within width × height, px. */
export function openingOf(
	order: { w: number; h: number },
	width: number,
	height: number,
) {
	const scale = Math.min((width - 40) / order.w, (height - 30) / order.h);
	const w = order.w * scale;
	const h = order.h * scale;
	return { w, h, x: (width - w) / 2, y: (height - h) / 2 };
}

/**
 * The pane in its opening with the gap on each side drawn wide, and its number:
 * as it should be, or as it was read at eight places.
 */
export function Evenness({
	reckoning,
	read,
	width,
	height,
}: {
	reckoning: View["reckoning"];
	read?: CheckView;
	width: number;
	height: number;
}) {
	const { fit, material, gap_w, gap_h } = reckoning;
	if (!fit.ready) {
		return (
			<text
				x={width / 2}
				y={height / 2}
				textAnchor="middle"
				fontSize={17}
				fill="var(--ink-2)"
			>
				no size was worked out
			</text>
		);
	}
	const o = openingOf(fit.order, width, height);
	const px = (v: number) =>
		Math.min(widest, o.w / 4, o.h / 4, Math.max(5, v * wider));
	const w = px(fit.gap.w);
	const h = px(fit.gap.h);
	const round = fit.form === "round" || fit.form === "circle";
	const glass = {
		fill: `var(--fill-${material.edge})`,
		stroke: `var(--edge-${material.edge})`,
		strokeWidth: 3.5,
	};
	return (
		<g>
			<rect
				x={o.x}
				y={o.y}
				width={o.w}
				height={o.h}
				rx={round ? o.w / 2 : 0}
				fill="var(--now-wash)"
				stroke="var(--ink)"
				strokeWidth={2}
			/>
			{read?.gaps ? (
				<g transform={`translate(${o.x} ${o.y})`} data-evenness="read">
					<polygon
						points={paneOf(read.gaps.map(px), o)
							.map((p) => `${p.x},${p.y}`)
							.join(" ")}
						{...glass}
					/>
					{read.gaps.map((g, n) => (
						<GapNumber
							key={gapPlaces[n]?.name}
							n={n}
							at={gapAt(n, o)}
							gap={px(g)}
							says={read.gaps_got?.[n] ?? ""}
							worst={
								g === Math.max(...(read.gaps ?? [])) ||
								g === Math.min(...(read.gaps ?? []))
							}
						/>
					))}
				</g>
			) : (
				<>
					<rect
						x={o.x + w}
						y={o.y + h}
						width={o.w - 2 * w}
						height={o.h - 2 * h}
						rx={round ? o.w / 2 - w : 0}
						{...glass}
					/>
					<g fontSize={18} fontWeight={700} fill="var(--computed)">
						<text x={width / 2} y={o.y + h + 24} textAnchor="middle">
							{gap_h.main} {gap_h.unit}
						</text>
						<text x={o.x + w + 10} y={height / 2} dy="0.36em">
							{gap_w.main} {gap_w.unit}
						</text>
					</g>
				</>
			)}
		</g>
	);
}

/** The number of a gap, just inside the pane. The widest and the narrowest are bold. */
function GapNumber({
	n,
	at,
	gap,
	says,
	worst,
}: {
	n: number;
	at: { x: number; y: number };
	gap: number;
	says: string;
	worst: boolean;
}) {
	const side = gapPlaces[n]?.side;
	const inward = gap + 8;
	const x = at.x + (side === "right" ? -inward : side === "left" ? inward : 0);
	const y =
		at.y + (side === "top" ? gap + 20 : side === "bottom" ? -gap - 9 : 0);
	return (
		<text
			x={x}
			y={y}
			dy={side === "left" || side === "right" ? "0.36em" : 0}
			textAnchor={
				side === "right" ? "end" : side === "left" ? "start" : "middle"
			}
			fontSize={17}
			fontWeight={worst ? 800 : 400}
			fill="var(--wax)"
		>
			{says}
		</text>
	);
}
