const w = 260;
const h = 190;
const x0 = 40;
const y0 = 30;
const x1 = w - 40;
const y1 = h - 30;

/** Which sides of a pane are held: hatched where they are, dotted where free. */
export function HeldPicture({ held, push }: { held: string; push: boolean }) {
	const says =
		held === "three"
			? "held on three sides, free along the top"
			: held === "two"
				? "held above and below, free at its sides"
				: held === "round"
					? "round, held all round"
					: "held on four sides";
	const at =
		held === "three"
			? [w / 2, y0 + 14]
			: held === "two"
				? [x1 - 14, h / 2]
				: [w / 2, h / 2];
	const side = (free: boolean) => ({
		stroke: free ? "var(--ink-3)" : "var(--ink)",
		strokeWidth: free ? 2 : 9,
		strokeDasharray: free ? "3 5" : undefined,
	});
	return (
		<div className="lit">
			<svg
				viewBox={`0 0 ${w} ${h}`}
				role="img"
				aria-label={says}
				className="w-full"
			>
				{held === "round" ? (
					<circle
						cx={w / 2}
						cy={h / 2}
						r={h / 2 - 26}
						fill="var(--fill-green)"
						stroke="var(--ink)"
						strokeWidth={9}
					/>
				) : (
					<>
						<rect
							x={x0}
							y={y0}
							width={x1 - x0}
							height={y1 - y0}
							fill="var(--fill-green)"
						/>
						<line x1={x0} x2={x1} y1={y0} y2={y0} {...side(held === "three")} />
						<line x1={x0} x2={x1} y1={y1} y2={y1} {...side(false)} />
						<line x1={x0} x2={x0} y1={y0} y2={y1} {...side(held === "two")} />
						<line x1={x1} x2={x1} y1={y0} y2={y1} {...side(held === "two")} />
					</>
				)}
				{push && (
					<rect
						x={(at[0] ?? 0) - 11}
						y={(at[1] ?? 0) - 11}
						width={22}
						height={22}
						fill="none"
						stroke="var(--wax)"
						strokeWidth={3}
					/>
				)}
			</svg>
		</div>
	);
}
