import type { Spot } from "../api/types";

type Dot = { id: string; label: string; name: string; spot: Spot };

/** The object as a plain face with numbered places; a tap sets a place. */
export function ObjectSketch({
	dots,
	spot,
	onPlace,
}: {
	dots: Dot[];
	spot?: Spot;
	onPlace?: (s: Spot) => void;
}) {
	function place(e: React.MouseEvent<SVGSVGElement>) {
		if (!onPlace) return;
		const box = e.currentTarget.getBoundingClientRect();
		const clamp = (v: number) =>
			Math.round(Math.max(0, Math.min(1, v)) * 1000) / 1000;
		onPlace({
			x: clamp((((e.clientX - box.left) / box.width) * 300 - 15) / 270),
			y: clamp((((e.clientY - box.top) / box.height) * 190 - 15) / 160),
		});
	}
	const at = (s: Spot) => ({ x: 15 + s.x * 270, y: 15 + s.y * 160 });
	return (
		// biome-ignore lint/a11y/useKeyWithClickEvents: a place can be said in words in the field below
		<svg
			viewBox="0 0 300 190"
			role="img"
			aria-label={`the object seen from outside, ${dots.length} places marked`}
			onClick={place}
			data-sketch
			className={`lit my-2 w-full max-w-[380px] ${onPlace ? "cursor-crosshair" : ""}`}
		>
			<rect
				x={15}
				y={15}
				width={270}
				height={160}
				fill="var(--metal)"
				stroke="var(--ink)"
				strokeWidth={2}
			/>
			<rect
				x={75}
				y={50}
				width={150}
				height={90}
				fill="var(--lit)"
				stroke="var(--ink)"
				strokeDasharray="5 4"
			/>
			{dots.map((d) => {
				const p = at(d.spot);
				return (
					<g key={d.id}>
						<title>{d.name}</title>
						<circle
							cx={p.x}
							cy={p.y}
							r={11}
							fill="var(--lit)"
							stroke="var(--wax)"
							strokeWidth={2}
						/>
						<text
							x={p.x}
							y={p.y}
							dy="0.36em"
							textAnchor="middle"
							fontSize={13}
							fontWeight={600}
							fill="var(--wax)"
						>
							{d.label}
						</text>
					</g>
				);
			})}
			{spot && (
				<path
					d={`M${at(spot).x - 9} ${at(spot).y}h18M${at(spot).x} ${at(spot).y - 9}v18`}
					stroke="var(--now)"
					strokeWidth={3}
				/>
			)}
		</svg>
	);
}
