import { Link } from "react-router";
import type { Days } from "../../api/types";
import { clock, dayName } from "../../app/when";
import { useWho } from "../../app/who";

/** In the hand: what I do, in order, today and on the next day that I work. */
export function MyDay({ days }: { days: Days }) {
	const { account } = useWho();
	const mine = days.people.find((p) => p.id === account.id);
	const names = [...new Set((mine?.steps ?? []).map((s) => dayName(s.from)))];
	return (
		<section aria-label="My day" className="px-4 py-3 sm:hidden" data-my-day>
			{names.length === 0 && (
				<p className="text-lg">Nothing is planned for you.</p>
			)}
			{names.slice(0, 2).map((day) => (
				<div key={day} className="mb-4">
					<h2 className="font-semibold">{day}</h2>
					<ol className="border-t border-rule">
						{mine?.steps
							.filter((s) => dayName(s.from) === day)
							.map((s) => (
								<li key={s.key} className="border-b border-rule">
									<Link
										to={`/jobs/${s.job}/${s.station}?pane=${s.pane}`}
										className="grid min-h-14 grid-cols-[3.5rem_1fr] gap-x-3 py-2"
									>
										<strong className="font-figure">{clock(s.from)}</strong>
										<span>
											<strong className="font-semibold">{s.title}</strong>
											<span className="block text-ink-2">{s.object}</span>
											{s.with.length > 0 && (
												<span className="block font-semibold text-two">
													with {s.with.join(" and ")}
												</span>
											)}
										</span>
									</Link>
								</li>
							))}
					</ol>
				</div>
			))}
		</section>
	);
}
