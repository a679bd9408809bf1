import type { Aspect } from "../api/types";
import { BarButton } from "./BarButton";
import { barNumber, barWords } from "./barWords";

const row = 27;
const name = 132;
const number = 52;

/** The same for a narrow table: a row each, the nearest ones that fit. */
export function BarRows({
	aspect,
	width,
	height,
	onWhy,
}: {
	aspect: Aspect;
	width: number;
	height: number;
	/** Opens the numbers behind a bar. */
	onWhy?: (material: string) => void;
}) {
	const { asks } = aspect;
	const fit = Math.max(3, Math.floor((height - 26) / row));
	const shown = aspect.stand.slice(
		0,
		aspect.stand.length > fit ? fit - 1 : fit,
	);
	const rest = aspect.stand.length - shown.length;
	const most = Math.max(asks, ...shown.map((s) => s.value)) || 1;
	const room = width - name - number;
	const x = (v: number) => name + (v / most) * room;
	return (
		// biome-ignore lint/a11y/useSemanticElements: a drawing is a group of parts, not of form fields
		<svg
			width={width}
			height={height}
			role="group"
			aria-label={`${aspect.name}: asked is ${aspect.says}`}
			className="absolute inset-0"
		>
			{shown.map((s, n) => {
				const y = 24 + n * row;
				const short = asks - s.value;
				return (
					<g
						key={s.material}
						data-stands={s.material}
						aria-label={`${s.name}: ${barWords(aspect, s)}${s.open ? "" : ", ruled out"}`}
					>
						<text
							x={name - 6}
							y={y + row / 2 - 3}
							dy="0.36em"
							textAnchor="end"
							fontSize={14}
							fontWeight={s.open ? 700 : 500}
							fill="var(--ink)"
						>
							{s.name.length > 17 ? `${s.name.slice(0, 16)}…` : s.name}
						</text>
						<rect
							x={name}
							y={y}
							width={Math.max(2, x(s.value) - name)}
							height={row - 8}
							fill={`var(--fill-${s.edge})`}
							stroke={`var(--edge-${s.edge})`}
							strokeWidth={2.5}
							strokeDasharray={s.known ? undefined : "5 4"}
						/>
						<text
							x={width - number + 6}
							y={y + row / 2 - 3}
							dy="0.36em"
							fontSize={15}
							fontWeight={700}
							fill={short > 0 ? "var(--stop)" : "var(--now)"}
						>
							{barNumber(aspect, s)}
						</text>
						<BarButton
							label={`${s.name}: ${barWords(aspect, s)}`}
							x={0}
							y={y - 4}
							width={width}
							height={row}
							act={onWhy && (() => onWhy(s.material))}
						/>
					</g>
				);
			})}
			{asks > 0 && aspect.unit !== "" && (
				<path
					d={`M${x(asks)} 20V${24 + shown.length * row}`}
					stroke="var(--ink)"
					strokeWidth={2.5}
				/>
			)}
			<text x={name} y={13} fontSize={13} fontWeight={700} fill="var(--ink)">
				{aspect.says}
			</text>
			{rest > 0 && (
				<text
					x={name}
					y={24 + shown.length * row + 12}
					fontSize={13}
					fill="var(--ink-2)"
				>
					and {rest} more that are ruled out
				</text>
			)}
		</svg>
	);
}
