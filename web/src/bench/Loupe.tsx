import { memo, useId } from "react";
import type { Drawing } from "../api/types";
import { eyeFor, type Frame } from "./fit";
import { Shapes } from "./Shapes";

/** The edge in section, enlarged, with clearance and bite as real gaps. */
export const Loupe = memo(function Loupe({
	section,
	edge,
	frame,
	onOpen,
}: {
	section: Drawing;
	edge: string;
	frame: Frame;
	onOpen: (figure: string) => void;
}) {
	const clip = useId();
	const cx = frame.x + frame.w / 2;
	const cy = frame.y + frame.h / 2;
	const r = Math.max(0, Math.min(frame.w, frame.h) / 2 - 2);
	// A small lens on a phone has room for the numbers, not for their names.
	const roomy = r > 110;
	const k = r * 1.62;
	const eye = eyeFor(section, { x: cx - k / 2, y: cy - k / 2, w: k, h: k });
	const dims = section.items.filter((i) => i.kind === "dim");
	const shapes = section.items.filter(
		(i) => i.kind !== "dim" && i.kind !== "text",
	);
	return (
		<g data-loupe>
			<clipPath id={clip}>
				<circle cx={cx} cy={cy} r={r} />
			</clipPath>
			<circle cx={cx} cy={cy} r={r} fill="var(--lit)" />
			<g clipPath={`url(#${clip})`}>
				<Shapes items={shapes} eye={eye} edge={edge} />
				{roomy && (
					<text
						x={cx}
						y={cy - r + 30}
						textAnchor="middle"
						fontSize={14}
						fill="var(--ink-2)"
					>
						{section.seen}
					</text>
				)}
			</g>
			<circle
				cx={cx}
				cy={cy}
				r={r}
				fill="none"
				stroke="var(--ink)"
				strokeWidth={2}
			/>
			{dims.map((d) => {
				const a = d.points[0] && eye.at(d.points[0]);
				const b = d.points[1] && eye.at(d.points[1]);
				if (!a || !b) return null;
				const word = d.id;
				const tone = d.state === "odd" ? "var(--stop)" : "var(--computed)";
				return (
					// biome-ignore lint/a11y/useSemanticElements: a part of a drawing cannot be an HTML button
					<g
						key={d.id}
						role="button"
						tabIndex={0}
						aria-label={`${d.text} ${word}, show the working`}
						data-dim={d.id}
						className="cursor-pointer"
						onClick={() => d.place && onOpen(d.place)}
						onKeyDown={(e) => {
							if ((e.key === "Enter" || e.key === " ") && d.place) {
								e.preventDefault();
								onOpen(d.place);
							}
						}}
					>
						<rect
							x={a.x - 6}
							y={a.y - 14}
							width={b.x - a.x + 70}
							height={28}
							fill="transparent"
						/>
						<path
							d={`M${a.x} ${a.y - 6}v12M${b.x} ${b.y - 6}v12M${a.x} ${a.y}H${b.x}`}
							stroke={tone}
							strokeWidth={2}
							fill="none"
						/>
						<text
							x={b.x + 9}
							y={b.y}
							dy="0.36em"
							fontFamily="var(--font-figure)"
							fontSize={18}
							fontWeight={600}
							fill={tone}
							stroke="var(--lit)"
							strokeWidth={5}
							paintOrder="stroke"
						>
							{d.text}
							{d.state === "odd" && " !"}
							{roomy && (
								<tspan fontSize={14} fontWeight={500}>
									{" "}
									{word}
								</tspan>
							)}
						</text>
					</g>
				);
			})}
		</g>
	);
});
