import { useId, useMemo } from "react";
import type { Drawing } from "../api/types";
import { eyeFor } from "./fit";
import { Shapes } from "./Shapes";

const w = 200;
const h = 104;

/** The edge in section, small: the same drawing as in the loupe of a job. */
export function EdgePicture({
	drawing,
	edge,
}: {
	drawing: Drawing;
	edge: string;
}) {
	const id = useId();
	const eye = useMemo(() => eyeFor(drawing, { x: 4, y: 4, w, h }), [drawing]);
	const items = drawing.items.filter(
		(i) => i.kind !== "text" && i.kind !== "dim",
	);
	return (
		<svg
			viewBox={`0 0 ${w + 8} ${h + 8}`}
			aria-hidden="true"
			className="my-1 h-28 w-full max-w-60"
		>
			<defs>
				<pattern
					id="cut-through"
					width="7"
					height="7"
					patternUnits="userSpaceOnUse"
					patternTransform="rotate(45)"
				>
					<rect width="7" height="7" fill="var(--metal)" />
					<path d="M0 0v7" stroke="var(--ink-2)" strokeWidth="1.3" />
				</pattern>
				<clipPath id={id}>
					<rect width={w + 8} height={h + 8} />
				</clipPath>
			</defs>
			<g clipPath={`url(#${id})`}>
				<Shapes items={items} eye={eye} edge={edge} named={false} />
			</g>
		</svg>
	);
}
