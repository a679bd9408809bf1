import type { StripEntry } from "../api/types";
import { asButton } from "./asButton";

export type Piece = {
	entry: StripEntry;
	/** What is easily mixed up. */
	odd: boolean;
	state: "off" | "now" | "in";
	/** What is wrong or open: it waits, it must come first. */
	says: string;
};

export type Link = { from: string; to: string; own: boolean };

/** Where each piece lies, px. */
type Slab = { x: number; y: number; w: number; h: number };

const fills: Record<StripEntry["kind"], string> = {
	part: "var(--metal)",
	trim: "var(--metal)",
	seal: "var(--gasket)",
	fasteners: "var(--lit)",
	wire: "var(--lit)",
	shield: "var(--metal)",
	pane: "var(--fill-green)",
};

/** The object in pieces, spread apart in the order they came off, first in front. */
export function Pieces({
	pieces,
	links,
	width,
	height,
	chosen,
	onTap,
}: {
	pieces: Piece[];
	links: Link[];
	width: number;
	height: number;
	chosen: string;
	onTap?: (id: string) => void;
}) {
	const slabs = layOut(pieces.length, width, height);
	const at = (id: string) => slabs[pieces.findIndex((p) => p.entry.id === id)];
	return (
		// biome-ignore lint/a11y/useSemanticElements: a drawing is a group of parts, not of form fields
		<svg
			width={width}
			height={Math.max(
				height,
				(slabs.at(-1)?.y ?? 0) + (slabs.at(-1)?.h ?? 0) + 10,
			)}
			role="group"
			aria-label={`the object in ${pieces.length} pieces, in the order in which they came off`}
		>
			<defs>
				<marker
					id="goes"
					viewBox="0 0 10 10"
					refX="9"
					refY="5"
					markerWidth="7"
					markerHeight="7"
					orient="auto-start-reverse"
				>
					<path d="M0 0 10 5 0 10Z" fill="var(--computed)" />
				</marker>
			</defs>
			{pieces.map((p, n) => {
				const s = slabs[n];
				if (!s) return null;
				return (
					<g
						key={p.entry.id}
						data-piece={p.entry.id}
						data-piece-state={p.state}
						{...asButton(
							onTap && (() => onTap(p.entry.id)),
							chosen === p.entry.id,
						)}
						opacity={p.state === "in" ? 0.55 : 1}
					>
						<Body piece={p} slab={s} chosen={chosen === p.entry.id} />
						<Words
							piece={p}
							slab={s}
							number={n + 1}
							room={width - s.x - s.w - 24}
						/>
					</g>
				);
			})}
			{links.map((l) => {
				const a = at(l.from);
				const b = at(l.to);
				if (!a || !b) return null;
				const x = Math.min(a.x, b.x) - 8;
				const ya = a.y + a.h / 2;
				const yb = b.y + b.h / 2;
				return (
					<path
						key={`${l.from} ${l.to}`}
						data-goes={`${l.from} ${l.to}`}
						d={`M${a.x + 4} ${ya}C${x - 30} ${ya} ${x - 30} ${yb} ${b.x + 2} ${yb}`}
						fill="none"
						stroke="var(--computed)"
						strokeWidth={l.own ? 3 : 1.6}
						strokeDasharray={l.own ? undefined : "4 4"}
						markerEnd="url(#goes)"
					/>
				);
			})}
		</svg>
	);
}

function Body({
	piece,
	slab: s,
	chosen,
}: {
	piece: Piece;
	slab: Slab;
	chosen: boolean;
}) {
	const { entry, state } = piece;
	const lean = s.h * 0.9;
	const corner = [
		[s.x + lean, s.y],
		[s.x + s.w, s.y],
		[s.x + s.w - lean, s.y + s.h],
		[s.x, s.y + s.h],
	]
		.map((p) => p.join(","))
		.join(" ");
	return (
		<>
			<polygon
				points={corner}
				fill={state === "now" ? "var(--tape)" : fills[entry.kind]}
				stroke={chosen ? "var(--now)" : "var(--ink)"}
				strokeWidth={chosen ? 4.5 : entry.kind === "pane" ? 3 : 1.8}
				strokeDasharray={
					entry.loosen || entry.fate === "lost" ? "6 4" : undefined
				}
			/>
			{entry.kind === "fasteners" &&
				Array.from({ length: Math.min(entry.count, 12) }, (_, i) => (
					<circle
						// biome-ignore lint/suspicious/noArrayIndexKey: a screw is its place
						key={i}
						cx={
							s.x +
							lean +
							((s.w - 2 * lean) * (i + 0.5)) / Math.min(entry.count, 12)
						}
						cy={s.y + s.h / 2}
						r={Math.min(5, s.h / 4)}
						fill="var(--lit)"
						stroke="var(--ink)"
						strokeWidth={1.6}
					/>
				))}
			{state === "in" && (
				<text
					x={s.x + s.w / 2}
					y={s.y + s.h / 2}
					dy="0.36em"
					textAnchor="middle"
					fontSize={18}
					fontWeight={700}
					fill="var(--now)"
				>
					✓
				</text>
			)}
		</>
	);
}

function Words({
	piece,
	slab: s,
	number,
	room,
}: {
	piece: Piece;
	slab: Slab;
	number: number;
	room: number;
}) {
	const { entry } = piece;
	const what = `${entry.count > 1 ? `${entry.count} × ` : ""}${entry.what}`;
	const most = Math.max(8, Math.floor(room / 8.4));
	const more = [
		entry.bag ? `bag ${entry.bag}` : "",
		entry.fate === "back" ? "" : entry.fate,
		entry.loosen ? "loosened only" : "",
		piece.odd ? "mind: easily mixed up" : piece.says,
	].filter((w) => w);
	return (
		<text x={s.x + s.w + 12} y={s.y + s.h / 2} fill="var(--ink)">
			<tspan fontSize={16} fontWeight={700} fill="var(--wax)">
				{number}
			</tspan>
			<tspan fontSize={16} fontWeight={600} dx={8}>
				{cut(what, most)}
			</tspan>
			{more.length > 0 && (
				<tspan
					x={s.x + s.w + 30}
					dy="1.15em"
					fontSize={13}
					fill={piece.odd ? "var(--warn)" : "var(--ink-2)"}
				>
					{cut(more.join(" · "), Math.floor(most * 1.2))}
				</tspan>
			)}
		</text>
	);
}

function cut(words: string, most: number): string {
	return words.length > most ? `${words.slice(0, most - 1).trimEnd()}…` : words;
}

/** Spread down the table and a little to the right, as a stack is laid out. */
function layOut(n: number, width: number, height: number): Slab[] {
	const narrow = width < 520;
	const w = narrow ? width * 0.34 : Math.min(300, width * 0.36);
	const step = Math.max(38, Math.min(84, (height - 16) / Math.max(1, n)));
	const h = Math.min(34, step * 0.62);
	const dx = narrow ? 3 : Math.min(26, (width * 0.16) / Math.max(1, n));
	return Array.from({ length: n }, (_, i) => ({
		x: (narrow ? 34 : 64) + i * dx,
		y: 8 + i * step,
		w,
		h,
	}));
}
