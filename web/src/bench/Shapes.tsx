import { memo } from "react";
import type { Item } from "../api/types";
import type { Eye } from "./fit";
import { lookOf } from "./looks";

type Props = { items: Item[]; eye: Eye; edge: string; named?: boolean };

/** Everything of a drawing but its dimensions: pure, geometry in, SVG out. */
export const Shapes = memo(function Shapes({
	items,
	eye,
	edge,
	named = true,
}: Props) {
	return items.map((i) => (
		<Shape key={i.id} item={i} eye={eye} edge={edge} named={named} />
	));
});

function Shape({
	item,
	eye,
	edge,
	named,
}: {
	item: Item;
	eye: Eye;
	edge: string;
	named: boolean;
}) {
	const look = lookOf(item, edge);
	const common = {
		stroke: look.stroke,
		strokeWidth: look.width,
		strokeDasharray: look.dash,
		fill: look.fill ?? "none",
		vectorEffect: "non-scaling-stroke" as const,
	};
	const title = named && item.label ? <title>{item.label}</title> : null;
	const points = item.points.map(eye.at);
	const first = points[0];
	if (!first) return null;
	switch (item.kind) {
		case "polyline": {
			if (item.bulges?.length === points.length) {
				return (
					<path d={arcs(points, item.bulges)} {...common}>
						{title}
					</path>
				);
			}
			const text = points.map((p) => `${p.x},${p.y}`).join(" ");
			return item.closed ? (
				<polygon points={text} strokeLinejoin="round" {...common}>
					{title}
				</polygon>
			) : (
				<polyline points={text} {...common}>
					{title}
				</polyline>
			);
		}
		case "circle":
			return (
				<circle
					cx={first.x}
					cy={first.y}
					r={(item.radius ?? 1) * eye.scale}
					{...common}
				>
					{title}
				</circle>
			);
		case "arc": {
			const r = item.radius ?? 0;
			const c = item.points[0];
			if (!c) return null;
			const at = (deg: number) =>
				eye.at({
					x: c.x + r * Math.cos((deg * Math.PI) / 180),
					y: c.y + r * Math.sin((deg * Math.PI) / 180),
				});
			const from = at(item.start ?? 0);
			const to = at(item.end ?? 0);
			const turn = ((item.end ?? 0) - (item.start ?? 0) + 720) % 360;
			const px = r * eye.scale;
			return (
				<path
					d={`M${from.x} ${from.y}A${px} ${px} 0 ${turn > 180 ? 1 : 0} 0 ${to.x} ${to.y}`}
					{...common}
					fill="none"
				/>
			);
		}
		case "line": {
			const end = points[1] ?? first;
			return (
				<line x1={first.x} y1={first.y} x2={end.x} y2={end.y} {...common} />
			);
		}
		case "text":
			return (
				<text
					x={first.x}
					y={first.y}
					textAnchor={item.anchor ?? "start"}
					fontSize={item.layer === "order" ? 19 : 14}
					fontWeight={item.layer === "order" ? 700 : 500}
					fill={item.layer === "note" ? "var(--ink-2)" : "var(--ink)"}
					stroke="var(--lit)"
					strokeWidth={item.layer === "order" ? 4 : 0}
					paintOrder="stroke"
				>
					{item.text}
				</text>
			);
		default:
			return null;
	}
}

/** A closed outline of lines and arcs as a path; y runs down on the screen. */
function arcs(points: { x: number; y: number }[], bulges: number[]): string {
	const first = points[0];
	if (!first) return "";
	let d = `M${first.x} ${first.y}`;
	points.forEach((a, n) => {
		const b = points[(n + 1) % points.length] ?? first;
		const k = bulges[n] ?? 0;
		if (k === 0) {
			d += `L${b.x} ${b.y}`;
			return;
		}
		const r =
			(Math.hypot(b.x - a.x, b.y - a.y) * (1 + k * k)) / (4 * Math.abs(k));
		d += `A${r} ${r} 0 ${Math.abs(k) > 1 ? 1 : 0} ${k > 0 ? 0 : 1} ${b.x} ${b.y}`;
	});
	return `${d}Z`;
}
