import { Link } from "react-router";
import { useThroughTime } from "../../../api/jobs";
import type { View } from "../../../api/types";
import { dayOf } from "../../../app/when";

/** The object through time: what was fitted each time that it was here. */
export function ThroughTime({ view }: { view: View }) {
	const through = useThroughTime(view);
	const before = (through.data ?? []).filter((t) => !t.here);
	if (before.length === 0) return null;
	return (
		<section
			aria-label="It was here before"
			className="mt-5 border-l-4 border-warn pl-3"
			data-through={before.length}
		>
			<h2 className="font-semibold">It was here before</h2>
			<ul>
				{before.map((t) => (
					<li key={t.job} className="py-1">
						<Link
							className="underline underline-offset-4"
							to={`/jobs/${t.job}/prove`}
						>
							{dayOf(t.in_at)}
						</Link>
						{t.story && `, ${t.story}`}
						{t.panes.map((p) => (
							<span key={p.pane} className="block text-ink-2">
								{p.material
									? `${p.thickness} mm ${p.material}`
									: "the pane stayed"}
								{p.size && `, ${p.size}`}
								{p.cause && `; the one before: ${p.cause}`}
								{p.back_at && `; back after ${days(p.out_at, p.back_at)} days`}
							</span>
						))}
					</li>
				))}
			</ul>
		</section>
	);
}

function days(from: string, to: string): number {
	return Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);
}
