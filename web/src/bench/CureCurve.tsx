import type { CureView } from "../api/types";
import { dayInWeek, when } from "../app/when";

const foot = 96;
const head = 64;
const side = 28;

/** How far something has hardened against the weather: the safe line and the quick one. */
export function CureCurve({
	cure,
	w,
	h,
	now,
}: {
	cure: CureView;
	w: number;
	h: number;
	now: number;
}) {
	const { curing } = cure;
	if (!curing || curing.curve.length < 2) return null;
	const { curve, clocks, adhesive } = curing;
	// Depth goes with the root of what the air was worth.
	const rooted = adhesive.kind === "moisture";
	const high = (v: number) => (rooted ? Math.sqrt(Math.max(0, v)) : v);
	const first = Date.parse(curve[0]?.at ?? "");
	const last = Math.max(Date.parse(curve.at(-1)?.at ?? ""), now);
	const top = 1.25;
	const x = (t: number) =>
		side + ((t - first) / Math.max(1, last - first)) * (w - 2 * side);
	// What goes beyond the top runs out of the picture.
	const y = (v: number) =>
		h - foot - (Math.min(4, v) / top) * Math.max(40, h - foot - head);
	const path = (of: "safe" | "fast") =>
		curve.map((p) => `${x(Date.parse(p.at))} ${y(high(p[of]))}`).join("L");
	const band = `M${path("fast")}L${[...curve]
		.reverse()
		.map((p) => `${x(Date.parse(p.at))} ${y(high(p.safe))}`)
		.join("L")}Z`;
	const ready = clocks.find((c) => c.key === "ready");
	const at = ready?.safe ? Date.parse(ready.safe) : null;
	const levels = [
		{
			v: 1,
			says: `${ready?.title.toLowerCase()}${curing.need ? `: ${curing.need}` : ""}`,
		},
		...(curing.let_go_at > 0 && curing.let_go_at < 0.95
			? [
					{
						v: curing.let_go_at,
						says:
							clocks.find((c) => c.key === "let-go")?.title.toLowerCase() ?? "",
					},
				]
			: []),
	];
	const midnights: number[] = [];
	const day = new Date(first);
	day.setHours(24, 0, 0, 0);
	const every = Math.max(1, Math.ceil((last - first) / 86_400_000 / 6));
	for (let n = 0; day.getTime() < last; n++, day.setDate(day.getDate() + 1)) {
		if (n % every === 0) midnights.push(day.getTime());
	}
	const words = clocks
		.map((c) => `${c.title} ${c.safe ? when(c.safe) : "never in such air"}`)
		.join(", ");
	return (
		<svg width={w} height={h} role="img" aria-label={words} data-curve>
			{midnights.map((t) => (
				<g key={t}>
					<path
						d={`M${x(t)} ${head}V${h - foot}`}
						stroke="var(--rule)"
						strokeWidth={1}
					/>
					<text
						x={x(t)}
						y={h - foot + 18}
						fontSize={14}
						textAnchor="middle"
						fill="var(--ink)"
					>
						{dayInWeek(t)}
					</text>
				</g>
			))}
			<clipPath id="cure-room">
				<rect x={0} y={head - 8} width={w} height={h - foot - head + 10} />
			</clipPath>
			<path d={band} fill="var(--now-wash)" clipPath="url(#cure-room)" />
			<path
				d={`M${path("fast")}`}
				clipPath="url(#cure-room)"
				fill="none"
				stroke="var(--now)"
				strokeDasharray="4 5"
				strokeWidth={2}
			/>
			<path
				d={`M${path("safe")}`}
				clipPath="url(#cure-room)"
				fill="none"
				stroke="var(--now)"
				strokeWidth={4}
			/>
			{levels.map((l) => (
				<g key={l.v}>
					<path
						d={`M${side} ${y(l.v)}H${w - side}`}
						stroke="var(--ink)"
						strokeDasharray="2 5"
						strokeWidth={2}
					/>
					<text
						x={w - side}
						y={y(l.v) - 6}
						fontSize={15}
						fontWeight={700}
						textAnchor="end"
						fill="var(--ink)"
						stroke="var(--lit)"
						strokeWidth={5}
						paintOrder="stroke"
					>
						{l.says}
					</text>
				</g>
			))}
			<path
				d={`M${x(now)} ${head - 20}V${h - foot}`}
				stroke="var(--tape)"
				strokeWidth={5}
			/>
			<text
				x={Math.min(x(now) + 8, w - 60)}
				y={head - 8}
				fontSize={15}
				fontWeight={700}
				fill="var(--ink)"
			>
				now
			</text>
			{at !== null && at <= last && (
				<g>
					<circle
						cx={x(at)}
						cy={y(1)}
						r={7}
						fill="var(--lit)"
						stroke="var(--now)"
						strokeWidth={4}
					/>
					<text
						x={Math.min(x(at), w - 70)}
						y={y(1) + 26}
						fontSize={17}
						fontWeight={700}
						textAnchor="middle"
						fill="var(--now)"
						stroke="var(--lit)"
						strokeWidth={5}
						paintOrder="stroke"
					>
						{when(new Date(at).toISOString())}
					</text>
				</g>
			)}
			{cure.weather.map((b) => {
				const from = x(Date.parse(b.from));
				const wide = x(Date.parse(b.to)) - from - 3;
				return (
					<g key={b.from}>
						<rect
							x={from}
							y={h - foot + 30}
							width={Math.max(0, wide)}
							height={44}
							fill={
								b.c < adhesive.least + 5 ? "var(--stop-wash)" : "var(--lit)"
							}
							stroke="var(--rule)"
						/>
						{wide > 26 && wide <= 46 && (
							<text
								x={from + wide / 2}
								y={h - foot + 57}
								fontSize={14}
								fontWeight={700}
								textAnchor="middle"
								fill="var(--ink)"
							>
								{Math.round(b.c)}°
							</text>
						)}
						{wide > 46 && (
							<text
								x={from + wide / 2}
								y={h - foot + 48}
								fontSize={14}
								fontWeight={700}
								textAnchor="middle"
								fill="var(--ink)"
							>
								{Math.round(b.c)} °C
								<tspan
									x={from + wide / 2}
									dy={17}
									fontWeight={400}
									fill="var(--ink-2)"
								>
									{Math.round(b.rh)} %
								</tspan>
							</text>
						)}
					</g>
				);
			})}
		</svg>
	);
}
