import type { View } from "../api/types";

/** How many px a millimetre of the gap is drawn wide, and how far at most. */
const wider = 12;
const widest = 64;

/** The pane in its opening with the gap on each side drawn wide, and its number. */
export function Evenness({
	reckoning,
	width,
	height,
}: {
	reckoning: View["reckoning"];
	width: number;
	height: number;
}) {
	const { fit, material } = reckoning;
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
	const scale = Math.min(
		(width - 40) / fit.order.w,
		(height - 30) / fit.order.h,
	);
	const o = { w: fit.order.w * scale, h: fit.order.h * scale };
	const x = (width - o.w) / 2;
	const y = (height - o.h) / 2;
	const px = (v: number) =>
		Math.min(widest, o.w / 4, o.h / 4, Math.max(5, v * wider));
	const w = px(fit.gap.w);
	const h = px(fit.gap.h);
	const round = fit.form === "round" || fit.form === "circle";
	return (
		<g>
			<rect
				x={x}
				y={y}
				width={o.w}
				height={o.h}
				rx={round ? o.w / 2 : 0}
				fill="var(--now-wash)"
				stroke="var(--ink)"
				strokeWidth={2}
			/>
			<rect
				x={x + w}
				y={y + h}
				width={o.w - 2 * w}
				height={o.h - 2 * h}
				rx={round ? o.w / 2 - w : 0}
				fill={`var(--fill-${material.edge})`}
				stroke={`var(--edge-${material.edge})`}
				strokeWidth={3.5}
			/>
			<g fontSize={18} fontWeight={700} fill="var(--computed)">
				<text x={width / 2} y={y + h + 24} textAnchor="middle">
					{fit.gap.h.toFixed(1)} mm
				</text>
				<text x={x + w + 10} y={height / 2} dy="0.36em">
					{fit.gap.w.toFixed(1)} mm
				</text>
			</g>
		</g>
	);
}
