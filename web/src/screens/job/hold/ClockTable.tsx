import { span, when } from "../../../app/when";
import { useSize } from "../../../bench/useSize";
import { Ground } from "../table/Ground";
import type { TableProps } from "../table/props";

const minute = 60_000;
const row = 64;

/** The clocks that run: what waits, since when, and when it may go on. */
export default function ClockTable({ view }: TableProps) {
	const [ref, size] = useSize<HTMLDivElement>();
	const now = Date.now();
	const { plan } = view.reckoning;
	const clocks = view.waits.flatMap((w) => {
		if (!w.until) return [];
		const step = plan.steps.find((s) => s.key === w.step);
		const end = Date.parse(w.until);
		const start = end - (step?.least ?? 60) * minute;
		return [
			{ key: w.step, title: step?.title ?? w.step, why: w.why, start, end },
		];
	});
	if (clocks.length === 0) {
		return (
			<Ground says="clocks">
				<div className="grid h-full place-items-center px-6 text-center">
					<p className="max-w-[24em] text-2xl text-ink-2">
						No clock runs. One starts when you say what was laid: a bond, a
						bedding, cement, paint.
					</p>
				</div>
			</Ground>
		);
	}
	const least = Math.min(now, ...clocks.map((c) => c.start));
	const most = Math.max(now + 60 * minute, ...clocks.map((c) => c.end));
	const x = (t: number) =>
		16 + ((t - least) / (most - least)) * Math.max(40, size.w - 32);
	return (
		<Ground says="clocks: not before the end of each">
			<div ref={ref} className="absolute inset-0 overflow-y-auto">
				<svg
					width={size.w}
					height={Math.max(size.h, clocks.length * row + 70)}
					role="img"
					aria-label={clocks
						.map(
							(c) =>
								`${c.title} not before ${when(new Date(c.end).toISOString())}`,
						)
						.join("; ")}
				>
					{clocks.map((c, n) => {
						const y = 46 + n * row;
						return (
							<g key={c.key} data-clock={c.key}>
								<text
									x={16}
									y={y - 8}
									fontSize={17}
									fontWeight={700}
									fill="var(--ink)"
								>
									{c.title}
									<tspan fontWeight={400} fill="var(--ink-2)">
										{"  "}
										{c.end > now
											? `${span(Math.ceil((c.end - now) / minute))} left, ${when(new Date(c.end).toISOString())}`
											: "over"}
									</tspan>
								</text>
								<rect
									x={x(c.start)}
									y={y}
									width={Math.max(4, x(c.end) - x(c.start))}
									height={20}
									fill="var(--lit)"
									stroke="var(--ink)"
									strokeWidth={2}
								/>
								<rect
									x={x(c.start)}
									y={y}
									width={Math.max(0, x(Math.min(now, c.end)) - x(c.start))}
									height={20}
									fill="var(--computed)"
								/>
							</g>
						);
					})}
					<path
						d={`M${x(now)} 14V${clocks.length * row + 40}`}
						stroke="var(--now)"
						strokeWidth={3}
					/>
					<text
						x={x(now) + 6}
						y={clocks.length * row + 46}
						fontSize={14}
						fill="var(--now)"
					>
						now
					</text>
				</svg>
			</div>
		</Ground>
	);
}
