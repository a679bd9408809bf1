import { Link } from "react-router";
import type { DayChange, Tried } from "../../api/types";
import { when } from "../../app/when";
import { odds } from "./odds";

/** Today's plan and what was tried side by side, job by job. */
export function Changes({ tried }: { tried: Tried }) {
	return (
		<section
			aria-label="Now and then"
			className="px-4 pt-4 sm:px-7"
			data-changes={tried.changes.length}
		>
			<h2 className="font-semibold">Now, and then</h2>
			{tried.changes.length === 0 && (
				<p>No job is ready at another time, and no promise is less safe.</p>
			)}
			<ul className="max-w-[72em] border-t border-rule">
				{tried.changes.map((c) => (
					<li
						key={`${c.job} ${c.object}`}
						className="grid min-h-12 items-center gap-x-5 border-b border-rule py-2 sm:grid-cols-[1fr_14rem_14rem]"
					>
						{c.job > 0 ? (
							<Link
								to={`/jobs/${c.job}`}
								className="font-semibold underline-offset-4 hover:underline"
							>
								{c.object}
							</Link>
						) : (
							<strong className="font-semibold">{c.object}</strong>
						)}
						<Side
							label="now"
							at={c.now}
							promised={c.promised_at}
							kept={c.kept}
							safe={c.safe}
						/>
						<Side
							label="then"
							at={c.then}
							promised={c.promised_at}
							kept={c.kept_then}
							safe={c.safe_then}
						/>
					</li>
				))}
			</ul>
		</section>
	);
}

function Side({
	label,
	at,
	promised,
	kept,
	safe,
}: {
	label: "now" | "then";
	at: DayChange["now"];
	promised: DayChange["promised_at"];
	kept: number;
	safe: boolean;
}) {
	if (!at) {
		return <span className="text-ink-2">{label}: no time for it</span>;
	}
	return (
		<span>
			<span className="text-ink-2">{label}</span> {when(at)}
			{promised && (
				<span
					className={`block ${!safe ? "font-semibold text-stop" : "text-ink-2"}`}
				>
					{odds(kept)}
				</span>
			)}
		</span>
	);
}
