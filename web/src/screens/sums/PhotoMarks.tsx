import { useRef, useState } from "react";
import type { Point } from "../../api/types";
import { cornerNames, type Photo, type Picture } from "./usePhoto";

type Grip = { of: "corners" | "points"; n: number };

/** The photo with its marks: a tap sets the next, a pull moves one. */
export function PhotoMarks({
	photo,
	picture,
}: {
	photo: Photo;
	picture: Picture;
}) {
	const svg = useRef<SVGSVGElement>(null);
	const [grip, setGrip] = useState<(Grip & { px: Point }) | null>(null);
	const [over, setOver] = useState<Point | null>(null);
	const { marks } = photo;
	// Marks are as large on the screen whatever the photo's size.
	const unit = picture.w / 760;
	function at(e: React.PointerEvent): Point {
		const box = svg.current?.getBoundingClientRect();
		if (!box) return { x: 0, y: 0 };
		const clamp = (v: number, most: number) => Math.max(0, Math.min(most, v));
		return {
			x: clamp(((e.clientX - box.left) / box.width) * picture.w, picture.w),
			y: clamp(((e.clientY - box.top) / box.height) * picture.h, picture.h),
		};
	}
	const nudge =
		(of: Grip["of"], n: number, px: Point) => (e: React.KeyboardEvent) => {
			const step = e.shiftKey ? 10 : 1;
			const d = {
				ArrowLeft: [-1, 0],
				ArrowRight: [1, 0],
				ArrowUp: [0, -1],
				ArrowDown: [0, 1],
			}[e.key];
			if (!d) return;
			e.preventDefault();
			photo.move(of, n, {
				x: px.x + (d[0] ?? 0) * step,
				y: px.y + (d[1] ?? 0) * step,
			});
		};
	const shown = (of: Grip["of"], n: number, px: Point) =>
		grip?.of === of && grip.n === n ? grip.px : px;
	const corners = marks.corners.map((c, n) => shown("corners", n, c));
	const points = marks.points.map((p, n) => ({
		...p,
		px: shown("points", n, p.px),
	}));
	const lens = grip?.px ?? over;
	return (
		<div className="relative">
			{/* biome-ignore lint/a11y/useSemanticElements: a photo with marks is a group of parts */}
			<svg
				ref={svg}
				viewBox={`0 0 ${picture.w} ${picture.h}`}
				role="group"
				aria-label={`The photo; the next tap marks ${photo.next}`}
				data-photo-marks
				className="block w-full touch-none cursor-crosshair select-none"
				onPointerMove={(e) => {
					const p = at(e);
					if (grip) setGrip({ ...grip, px: p });
					setOver(p);
				}}
				onPointerLeave={() => setOver(null)}
				onPointerUp={(e) => {
					if (grip) {
						photo.move(grip.of, grip.n, grip.px);
						setGrip(null);
					} else photo.tap(at(e));
				}}
			>
				<image href={picture.url} width={picture.w} height={picture.h} />
				<polygon
					points={corners.map((c) => `${c.x},${c.y}`).join(" ")}
					fill="none"
					stroke="#ffd23f"
					strokeWidth={2.5 * unit}
				/>
				<polyline
					points={[...points, ...(points.length > 2 ? points.slice(0, 1) : [])]
						.map((p) => `${p.px.x},${p.px.y}`)
						.join(" ")}
					fill="none"
					stroke="#ff6a55"
					strokeWidth={2.5 * unit}
					strokeDasharray={`${8 * unit} ${5 * unit}`}
				/>
				{corners.map((c, n) => (
					<Mark
						key={cornerNames[n]}
						px={c}
						unit={unit}
						colour="#ffd23f"
						label={`${n + 1}, ${cornerNames[n]}, move with the arrow keys`}
						text={String(n + 1)}
						onGrip={() => setGrip({ of: "corners", n, px: c })}
						onKeyDown={nudge("corners", n, c)}
					/>
				))}
				{points.map((p, n) => (
					<Mark
						// biome-ignore lint/suspicious/noArrayIndexKey: a point is its number
						key={n}
						px={p.px}
						unit={unit}
						colour="#ff6a55"
						label={`point ${n + 1}${p.curve ? ", on a curve" : ""}, move with the arrow keys`}
						text={String(n + 1)}
						round={p.curve}
						onGrip={() => setGrip({ of: "points", n, px: p.px })}
						onKeyDown={nudge("points", n, p.px)}
					/>
				))}
			</svg>
			{lens && <Lens picture={picture} at={lens} />}
		</div>
	);
}

function Mark({
	px,
	unit,
	colour,
	label,
	text,
	round = false,
	onGrip,
	onKeyDown,
}: {
	px: Point;
	unit: number;
	colour: string;
	label: string;
	text: string;
	round?: boolean;
	onGrip: () => void;
	onKeyDown: (e: React.KeyboardEvent) => void;
}) {
	const r = 9 * unit;
	return (
		// biome-ignore lint/a11y/useSemanticElements: a mark on a photo cannot be an HTML button
		<g
			role="button"
			tabIndex={0}
			aria-label={label}
			className="cursor-move outline-none [&:focus-visible>path]:stroke-[var(--now)]"
			onPointerDown={(e) => {
				e.stopPropagation();
				onGrip();
			}}
			onKeyDown={onKeyDown}
		>
			<circle cx={px.x} cy={px.y} r={20 * unit} fill="transparent" />
			<path
				d={
					round
						? `M${px.x - r} ${px.y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`
						: `M${px.x - r} ${px.y}h${2 * r}M${px.x} ${px.y - r}v${2 * r}`
				}
				fill="none"
				stroke={colour}
				strokeWidth={2.5 * unit}
			/>
			<text
				x={px.x + r}
				y={px.y - r}
				fontSize={17 * unit}
				fontWeight={700}
				fill={colour}
				stroke="#111"
				strokeWidth={4 * unit}
				paintOrder="stroke"
			>
				{text}
			</text>
		</g>
	);
}

/** What lies under the finger, enlarged, in the corner that it is not in. */
function Lens({ picture, at }: { picture: Picture; at: Point }) {
	const half = picture.w / 28;
	const side = at.x < picture.w / 2 ? "right-2" : "left-2";
	return (
		<svg
			viewBox={`${at.x - half} ${at.y - half} ${2 * half} ${2 * half}`}
			aria-hidden="true"
			className={`pointer-events-none absolute top-2 size-36 border-2 border-ink bg-ink ${side}`}
		>
			<image href={picture.url} width={picture.w} height={picture.h} />
			<path
				d={`M${at.x - half} ${at.y}h${2 * half}M${at.x} ${at.y - half}v${2 * half}`}
				stroke="#ff6a55"
				strokeWidth={half / 60}
			/>
		</svg>
	);
}
