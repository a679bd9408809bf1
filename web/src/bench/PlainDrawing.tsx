import { useMemo } from "react";
import type { Drawing } from "../api/types";
import { DimensionMark } from "./Dimension";
import { eyeFor } from "./fit";
import { Shapes } from "./Shapes";
import { useSize } from "./useSize";

/** A drawing by itself on the lit ground, to scale. */
export function PlainDrawing({
	drawing,
	label,
	edge = "green",
	tall = 360,
}: {
	drawing: Drawing;
	label: string;
	edge?: string;
	/** Height on the screen, px. */
	tall?: number;
}) {
	const [ref, size] = useSize<HTMLDivElement>();
	const eye = useMemo(
		() => eyeFor(drawing, { x: 12, y: 12, w: size.w - 24, h: size.h - 24 }),
		[drawing, size.w, size.h],
	);
	return (
		<div ref={ref} className="lit relative" style={{ height: tall }}>
			<svg
				width={size.w}
				height={size.h}
				role="img"
				aria-label={label}
				className="absolute inset-0"
			>
				<Shapes items={drawing.items} eye={eye} edge={edge} />
				{drawing.items
					.filter((i) => i.kind === "dim")
					.map((i) => (
						<DimensionMark key={i.id} item={i} eye={eye} active={false} />
					))}
			</svg>
		</div>
	);
}
