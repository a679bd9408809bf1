import type { Leg } from "../api/types";

/** The score line of a job in small: how far it has been snapped off. */
export function MiniRoute({ legs }: { legs: Leg[] }) {
	const now = legs.find((l) => l.state === "now");
	const done = legs.filter((l) => l.state === "done").length;
	return (
		<span className="block">
			<svg
				viewBox={`0 0 ${legs.length * 17} 14`}
				className="h-3.5 w-full"
				role="img"
				aria-label={`${done} of ${legs.length} stations finished`}
			>
				{legs.map((l, n) => (
					<path
						key={l.station}
						d={
							l.state === "done"
								? `M${n * 17} 9l14-4M${n * 17} 4v9`
								: `M${n * 17} 7h16M${n * 17} 2v10`
						}
						fill="none"
						stroke={l.state === "now" ? "var(--now)" : "var(--ink-2)"}
						strokeWidth={l.state === "now" ? 3.5 : 1.4}
						strokeDasharray={l.state === "ahead" ? "1.5 2.5" : undefined}
					/>
				))}
			</svg>
			<span className="block text-sm text-ink-2">
				{now ? now.name : "signed"}
				{now?.say && ` ${now.say}`}
			</span>
		</span>
	);
}
