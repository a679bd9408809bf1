import type { ReactNode } from "react";

/** The pane before the shop: a plain lit sheet with one thing to do. */
export function Door({
	title,
	lead,
	children,
}: {
	title: string;
	lead: string;
	children: ReactNode;
}) {
	return (
		<main className="lit grid min-h-full grid-cols-1 content-center gap-10 p-6 lg:grid-cols-[1fr_minmax(340px,440px)_1fr]">
			<div className="hidden lg:block">
				<Shard />
			</div>
			<div>
				<h1 className="text-4xl font-semibold">{title}</h1>
				<p className="mt-2 mb-8 text-lg text-ink-2">{lead}</p>
				{children}
			</div>
		</main>
	);
}

/** A broken corner of glass, its green edge seen end-on. */
function Shard() {
	return (
		<svg viewBox="0 0 300 360" aria-hidden="true" className="ml-auto h-80">
			<path
				d="M30 330 92 22l196 70-40 238z"
				fill="var(--fill-green)"
				stroke="var(--edge-green)"
				strokeWidth="5"
				strokeLinejoin="round"
			/>
			<path
				d="m92 22 60 190-122 118m122-118 96 118M152 212 288 92"
				fill="none"
				stroke="var(--edge-green)"
				strokeWidth="2"
			/>
			<path
				d="M30 342h218M30 336v12M248 336v12"
				stroke="var(--wax)"
				strokeWidth="2.5"
			/>
		</svg>
	);
}
