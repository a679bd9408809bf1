import type { Item } from "../api/types";
import type { Eye } from "./fit";

type Props = {
	item: Item;
	eye: Eye;
	active: boolean;
	name?: string;
};

/** Where along a dimension its words stand, so that crossing ones stay apart. */
function share(place: string | undefined): number {
	switch (place) {
		case "width_middle":
			return 0.37;
		case "height_middle":
			return 0.68;
		case "diameter_0":
		case "diameter_45":
		case "diameter_90":
		case "diameter_135":
			return 0.24;
		case "diagonal_rising":
			return 0.74;
		case "diagonal_falling":
			return 0.24;
		default:
			return 0.5;
	}
}

/** One dimension on the table: a tap brings the tape to it. */
export function Dimension({
	onPick,
	...mark
}: Props & { onPick: (place: string) => void }) {
	const { item } = mark;
	return (
		// biome-ignore lint/a11y/useSemanticElements: a part of a drawing cannot be an HTML button
		<g
			role="button"
			tabIndex={0}
			aria-label={item.label}
			aria-pressed={mark.active}
			data-place={item.place}
			className="cursor-pointer outline-none [&:focus-visible>rect]:stroke-[3px]"
			onClick={() => item.place && onPick(item.place)}
			onKeyDown={(e) => {
				if ((e.key === "Enter" || e.key === " ") && item.place) {
					e.preventDefault();
					onPick(item.place);
				}
			}}
		>
			<DimensionMark {...mark} />
		</g>
	);
}

/** A dimension as it is drawn: wax red when read, green when it is its turn. */
export function DimensionMark({ item, eye, active, name }: Props) {
	const a = item.points[0] && eye.at(item.points[0]);
	const b = item.points[1] && eye.at(item.points[1]);
	if (!a || !b) return null;
	const empty = item.state === "empty";
	const t = share(item.place);
	const x = a.x + (b.x - a.x) * t;
	const y = a.y + (b.y - a.y) * t;
	let angle = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
	// Words on an upright reach upwards, also when it leans a little.
	if (angle > 80) angle -= 180;
	if (angle < -100) angle += 180;
	// The mark of an empty dimension is a plus whichever way the line runs.
	if (empty && !active) angle = 0;
	const colour = active
		? "var(--now)"
		: item.state === "odd"
			? "var(--stop)"
			: empty
				? "var(--ink-3)"
				: item.layer === "clearance"
					? "var(--computed)"
					: "var(--wax)";
	const len = Math.hypot(b.x - a.x, b.y - a.y) || 1;
	// A name longer than its line would hide what it belongs to.
	const long = (name ?? "").length * 9.4 + 16 > Math.max(len, 90);
	const words = item.text || (active ? (long ? "◆" : (name ?? "")) : "+");
	const n = { x: (-(b.y - a.y) / len) * 6, y: ((b.x - a.x) / len) * 6 };
	const width =
		words.length * (active ? 9.4 : 9.8) + (empty && !active ? 8 : 16);
	const tall = empty && !active ? 18 : 26;
	return (
		<>
			<line
				x1={a.x}
				y1={a.y}
				x2={b.x}
				y2={b.y}
				stroke="transparent"
				strokeWidth={30}
			/>
			<line
				x1={a.x}
				y1={a.y}
				x2={b.x}
				y2={b.y}
				stroke={colour}
				strokeWidth={active ? 3 : 1.6}
				strokeDasharray={empty && !active ? "2 6" : undefined}
			/>
			{(!empty || active) &&
				[a, b].map((p) => (
					<line
						key={`${p.x} ${p.y}`}
						x1={p.x - n.x}
						y1={p.y - n.y}
						x2={p.x + n.x}
						y2={p.y + n.y}
						stroke={colour}
						strokeWidth={active ? 3 : 1.8}
					/>
				))}
			<rect
				x={x - width / 2}
				y={y - tall / 2}
				width={width}
				height={tall}
				transform={`rotate(${angle} ${x} ${y})`}
				fill={active ? "var(--now)" : "var(--lit)"}
				stroke={item.state === "odd" ? "var(--stop)" : colour}
				strokeWidth={active || item.state === "odd" ? 2 : 0}
				strokeDasharray={item.state === "odd" ? "4 3" : undefined}
			/>
			<text
				x={x}
				y={y}
				dy="0.36em"
				transform={`rotate(${angle} ${x} ${y})`}
				textAnchor="middle"
				fontFamily="var(--font-figure)"
				fontSize={active && empty ? 16 : 18}
				fontWeight={600}
				fill={active ? "var(--on-now)" : colour}
			>
				{words}
				{item.state === "odd" ? " ?" : ""}
			</text>
		</>
	);
}
