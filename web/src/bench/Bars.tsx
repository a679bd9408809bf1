import type { Aspect } from "../api/types";
import { BarButton } from "./BarButton";
import { barNumber, barWords } from "./barWords";

const left = 56;
const top = 30;
const foot = 58;

/** What each pane stands against what the place asks, to one scale. */
export function Bars({
	aspect,
	width,
	height,
	here,
	onWhy,
}: {
	aspect: Aspect;
	width: number;
	height: number;
	/** The material that is settled or first. */
	here?: string;
	/** Opens the numbers behind a bar. */
	onWhy?: (material: string) => void;
}) {
	const { stand, asks, unit } = aspect;
	const most = Math.max(asks, ...stand.map((s) => s.value)) * 1.08 || 1;
	const floor = height - foot;
	const y = (v: number) => floor - (v / most) * (floor - top);
	const room = (width - left - 12) / Math.max(1, stand.length);
	const bar = Math.min(72, room * 0.64);
	const small = room < 96;
	return (
		// biome-ignore lint/a11y/useSemanticElements: a drawing is a group of parts, not of form fields
		<svg
			width={width}
			height={height}
			role="group"
			aria-label={`${aspect.name}: asked is ${aspect.says}`}
			className="absolute inset-0"
		>
			<defs>
				<pattern
					id="short"
					width="8"
					height="8"
					patternUnits="userSpaceOnUse"
					patternTransform="rotate(45)"
				>
					<path d="M0 0v8" stroke="var(--stop)" strokeWidth="1.6" />
				</pattern>
			</defs>
			{steps(most).map((v) => (
				<g key={v}>
					<path d={`M${left} ${y(v)}H${width - 8}`} stroke="var(--rule)" />
					<text
						x={left - 8}
						y={y(v)}
						dy="0.36em"
						textAnchor="end"
						fontSize={13}
						fill="var(--ink-2)"
					>
						{v}
					</text>
				</g>
			))}
			<text
				x={left - 8}
				y={16}
				textAnchor="end"
				fontSize={13}
				fill="var(--ink-2)"
			>
				{unit}
			</text>
			{stand.map((s, n) => {
				const x = left + room * (n + 0.5) - bar / 2;
				const short = asks - s.value;
				return (
					<g
						key={s.material}
						data-stands={s.material}
						data-left={s.left}
						aria-label={`${s.name}: ${barWords(aspect, s)}${s.open ? "" : ", ruled out"}`}
					>
						<rect
							x={x}
							y={y(s.value)}
							width={bar}
							height={Math.max(2, floor - y(s.value))}
							fill={`var(--fill-${s.edge})`}
							stroke={`var(--edge-${s.edge})`}
							strokeWidth={3}
							strokeDasharray={s.known ? undefined : "5 4"}
							opacity={s.open ? 1 : 0.75}
						/>
						{short > 0 && (
							<rect
								x={x}
								y={y(asks)}
								width={bar}
								height={Math.max(0, y(s.value) - y(asks))}
								fill="url(#short)"
								stroke="var(--stop)"
								strokeDasharray="4 3"
							/>
						)}
						<text
							x={x + bar / 2}
							y={short > 0 ? (y(asks) + y(s.value)) / 2 : y(s.value) - 8}
							dy={short > 0 ? "0.36em" : 0}
							textAnchor="middle"
							fontSize={small ? 14 : 16}
							fontWeight={700}
							fill={short > 0 ? "var(--stop)" : "var(--now)"}
							stroke="var(--lit)"
							strokeWidth={4}
							paintOrder="stroke"
						>
							{barNumber(aspect, s)}
						</text>
						<Name
							x={x + bar / 2}
							y={floor + 18}
							name={s.name}
							small={small}
							bold={s.material === here}
							under={s.like ? "like the old" : s.open ? "" : "ruled out"}
						/>
						<BarButton
							label={`${s.name}: ${barWords(aspect, s)}`}
							x={x - (room - bar) / 2 + 2}
							y={top - 8}
							width={room - 4}
							height={height - top}
							act={onWhy && (() => onWhy(s.material))}
						/>
					</g>
				);
			})}
			{asks > 0 && unit !== "" && (
				<>
					<path
						d={`M${left} ${y(asks)}H${width - 8}`}
						stroke="var(--ink)"
						strokeWidth={2.5}
					/>
					<text
						x={width - 10}
						y={y(asks) - 7}
						textAnchor="end"
						fontSize={14}
						fontWeight={700}
						fill="var(--ink)"
						stroke="var(--lit)"
						strokeWidth={4}
						paintOrder="stroke"
					>
						{aspect.says}
					</text>
				</>
			)}
		</svg>
	);
}

/** Round numbers for the scale. */
function steps(most: number): number[] {
	const rough = most / 6;
	const ten = 10 ** Math.floor(Math.log10(rough));
	const step = [1, 2, 5, 10].map((k) => k * ten).find((k) => k >= rough) ?? ten;
	const out: number[] = [];
	for (let v = 0; v <= most; v += step) out.push(Number(v.toPrecision(4)));
	return out;
}

function Name({
	x,
	y,
	name,
	under,
	small,
	bold,
}: {
	x: number;
	y: number;
	name: string;
	under: string;
	small: boolean;
	bold: boolean;
}) {
	const parts = small
		? name.split(/[ -]/)
		: name.length > 12
			? name.split(" ")
			: [name];
	return (
		<text
			x={x}
			y={y}
			textAnchor="middle"
			fontSize={small ? 12 : 14}
			fontWeight={bold ? 700 : 500}
			fill="var(--ink)"
		>
			{parts.slice(0, 2).map((p, n) => (
				<tspan
					key={p}
					x={x}
					dy={n === 0 ? 0 : "1.1em"}
					fontSize={small && p.length > 12 ? 10.5 : undefined}
				>
					{small && p.length > 14 ? `${p.slice(0, 13)}…` : p}
				</tspan>
			))}
			{under && !small && (
				<tspan
					x={x}
					dy="1.25em"
					fontSize={12}
					fontWeight={400}
					fill="var(--ink-2)"
				>
					{under}
				</tspan>
			)}
		</text>
	);
}
