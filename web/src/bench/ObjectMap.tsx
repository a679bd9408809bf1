import { useMemo } from "react";
import type { Drawing, Item } from "../api/types";
import { asButton } from "./asButton";
import { eyeFor } from "./fit";

const tones: Record<string, { fill: string; stroke: string; dash?: string }> = {
	done: { fill: "var(--fill-green)", stroke: "var(--edge-green)" },
	wait: { fill: "var(--lit)", stroke: "var(--ink-2)", dash: "6 4" },
	here: { fill: "var(--now-wash)", stroke: "var(--now)" },
	now: { fill: "var(--lit)", stroke: "var(--ink)" },
};

const signs: Record<string, string> = { done: "✓", wait: "…" };

/** The object with its panes, numbered; a tap lays one on the table. */
export function ObjectMap({
	drawing,
	width,
	onPick,
	onTap,
	mark,
}: {
	drawing: Drawing;
	width: number;
	/** Lays a pane on the table; without it the panes are a picture. */
	onPick?: (pane: number) => void;
	/** A tap on the face itself, as shares from its upper left corner. */
	onTap?: (x: number, y: number) => void;
	mark?: Frame;
}) {
	const height = Math.round((width * 190) / 300);
	const eye = useMemo(
		() => eyeFor(drawing, { x: 2, y: 2, w: width - 4, h: height - 4 }),
		[drawing, width, height],
	);
	const face = drawing.items.find((i) => i.id === "face");
	const panes = drawing.items.filter((i) => i.layer === "pane");
	const numbers = drawing.items.filter((i) => i.layer === "order");
	const room = drawing.items.find((i) => i.id === "room");
	const box = room ? boxOf(room.points.map((p) => eye.at(p))) : null;
	function tap(e: React.MouseEvent<SVGRectElement>) {
		const at = e.currentTarget.getBoundingClientRect();
		onTap?.((e.clientX - at.left) / at.width, (e.clientY - at.top) / at.height);
	}
	return (
		// biome-ignore lint/a11y/useSemanticElements: a drawing is a group of parts, not of form fields
		<svg
			width={width}
			height={height}
			role="group"
			aria-label={drawing.seen}
			className="max-w-full"
		>
			{face && (
				<polygon
					points={corners(face, eye.at)}
					fill="var(--metal)"
					stroke="var(--ink)"
					strokeWidth={1.5}
				/>
			)}
			{panes.map((p) => {
				const tone = tones[p.state ?? "now"] ?? tones.now;
				const number = numbers.find(
					(n) => n.id === p.id.replace("pane", "number"),
				);
				const at = number?.points[0] && eye.at(number.points[0]);
				return (
					<g
						key={p.id}
						aria-label={p.label}
						aria-current={p.state === "here" ? "true" : undefined}
						data-pane={p.place}
						{...asButton(onPick && (() => onPick(Number(p.place))))}
					>
						<polygon
							points={corners(p, eye.at)}
							fill={tone?.fill}
							stroke={tone?.stroke}
							strokeDasharray={tone?.dash}
							strokeWidth={p.state === "here" ? 3.5 : 2}
						/>
						{number && at && (
							<text
								x={at.x}
								y={at.y}
								dy="0.36em"
								textAnchor="middle"
								fontSize={Math.max(
									13,
									Math.min(22, (number.size ?? 12) * eye.scale),
								)}
								fontWeight={600}
								fill={p.state === "here" ? "var(--now)" : "var(--ink)"}
							>
								{number.text}
								{signs[p.state ?? ""] ?? ""}
							</text>
						)}
					</g>
				);
			})}
			{onTap && box && (
				<>
					{mark && (
						<rect
							x={box.x + mark.x * box.w}
							y={box.y + mark.y * box.h}
							width={Math.max(2, mark.w * box.w)}
							height={Math.max(2, mark.h * box.h)}
							fill="none"
							stroke="var(--wax)"
							strokeWidth={3}
							strokeDasharray="8 4"
						/>
					)}
					{/* biome-ignore lint/a11y/noStaticElementInteractions: the fields below do the same by keyboard */}
					<rect
						x={box.x}
						y={box.y}
						width={box.w}
						height={box.h}
						fill="transparent"
						className="cursor-crosshair"
						data-face
						onClick={tap}
					/>
				</>
			)}
		</svg>
	);
}

type Frame = { x: number; y: number; w: number; h: number };

function boxOf(points: { x: number; y: number }[]): Frame {
	const x = Math.min(...points.map((p) => p.x));
	const y = Math.min(...points.map((p) => p.y));
	return {
		x,
		y,
		w: Math.max(...points.map((p) => p.x)) - x,
		h: Math.max(...points.map((p) => p.y)) - y,
	};
}

function corners(
	i: Item,
	at: (p: { x: number; y: number }) => { x: number; y: number },
): string {
	return i.points
		.map((p) => at(p))
		.map((p) => `${p.x},${p.y}`)
		.join(" ");
}
