import { Link } from "react-router";
import type { View } from "../../api/types";
import { Band } from "../../app/Band";

/** Where no size is wanted, the line along the bottom says the next step. */
export function NextLine({ view }: { view: View }) {
	const done = view.pane.ticks.map((t) => t.step);
	const waits = view.waits.map((w) => w.step);
	const open = view.reckoning.plan.steps.filter((s) => !done.includes(s.key));
	const next = open.find((s) => !waits.includes(s.key)) ?? open[0];
	const station = next?.station ?? "prove";
	const pane = view.panes.length > 1 ? `?pane=${view.pane.id}` : "";
	return (
		<Band>
			<Link
				to={`/jobs/${view.job.id}/${station}${pane}`}
				className="flex min-h-16 min-w-0 flex-1 items-center gap-3 bg-tape px-6 text-lg text-on-tape"
				data-next={next?.key ?? "prove"}
			>
				<span>Next:</span>
				<strong className="min-w-0 truncate">
					{next ? next.title : "the checks, and the signature"}
				</strong>
			</Link>
		</Band>
	);
}
