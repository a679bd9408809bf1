import { NavLink } from "react-router";
import type { Leg } from "../api/types";

/**
 * The stations as a score line with nicks: what is finished is snapped off,
 * the present piece is bright, the rest is still scored. Every piece is a way.
 */
export function RouteLine({
	legs,
	to,
	here,
}: {
	legs: Leg[];
	to: (station: string) => string;
	here: string;
}) {
	const at = legs.findIndex((l) => l.station === here);
	const before = legs[at - 1];
	const after = legs[at + 1];
	return (
		<nav aria-label="Stations of the job" className="px-4 sm:px-7">
			<ol className="hidden md:flex">
				{legs.map((l) => (
					<li key={l.station} className="min-w-0 flex-1">
						<LegLink leg={l} to={to} here={here === l.station} />
					</li>
				))}
			</ol>
			<div className="flex items-stretch gap-2 md:hidden">
				<Way leg={before} to={to} sign="‹" />
				<div className="min-w-0 flex-1">
					{legs[at] && <LegLink leg={legs[at]} to={to} here />}
				</div>
				<Way leg={after} to={to} sign="›" />
			</div>
		</nav>
	);
}

function Way({
	leg,
	to,
	sign,
}: {
	leg: Leg | undefined;
	to: (station: string) => string;
	sign: string;
}) {
	if (!leg) return <span className="w-12" />;
	return (
		<NavLink
			to={to(leg.station)}
			aria-label={`Go to ${leg.name}`}
			className="grid w-12 place-items-center text-2xl"
		>
			{sign}
		</NavLink>
	);
}

function LegLink({
	leg,
	to,
	here,
}: {
	leg: Leg;
	to: (station: string) => string;
	here: boolean;
}) {
	const tone =
		leg.state === "now" ? "text-now" : here ? "text-ink" : "text-ink-2";
	return (
		<NavLink
			to={to(leg.station)}
			aria-current={here ? "step" : undefined}
			className={`block min-h-12 pb-1 ${tone} ${here ? "font-semibold" : ""}`}
		>
			<svg
				aria-hidden="true"
				viewBox="0 0 100 18"
				preserveAspectRatio="none"
				className="h-[18px] w-full"
			>
				<Piece state={leg.state} />
			</svg>
			<span className="block truncate leading-5">
				<span className={here ? "border-b-4 border-current" : ""}>
					{leg.name}
				</span>
				<span className="sr-only">
					{leg.state === "done" ? ", finished" : ""}
				</span>
			</span>
			<span
				className={`block truncate pt-0.5 text-sm leading-4 font-medium ${leg.say === "stop" ? "font-bold text-stop" : ""}`}
			>
				{leg.say || " "}
			</span>
		</NavLink>
	);
}

function Piece({ state }: { state: Leg["state"] }) {
	const line = { vectorEffect: "non-scaling-stroke" as const, fill: "none" };
	if (state === "done") {
		return (
			<path
				d="M0 4v11M0 11 92 5"
				stroke="var(--ink)"
				strokeWidth={2}
				{...line}
			/>
		);
	}
	if (state === "now") {
		return (
			<path d="M0 2v14M0 9h100" stroke="var(--now)" strokeWidth={4} {...line} />
		);
	}
	return (
		<>
			<path d="M0 3v12" stroke="var(--ink-3)" strokeWidth={1.5} {...line} />
			<path
				d="M0 9h100"
				stroke="var(--ink-3)"
				strokeWidth={1.5}
				strokeDasharray="2 5"
				{...line}
			/>
		</>
	);
}
