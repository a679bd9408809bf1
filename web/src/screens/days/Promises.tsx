import { Link } from "react-router";
import type { DayReady, Days } from "../../api/types";
import { lateBy, when } from "../../app/when";
import { Paged } from "../../parts/Paged";
import { odds } from "./odds";
import { PromiseIt } from "./PromiseIt";

/** Each job with when it is ready, how surely that keeps its promise, and what holds it up. */
export function Promises({ days }: { days: Days }) {
	return (
		<section aria-label="Promises" className="px-4 pt-4 pb-8 sm:px-7">
			<h2 className="font-semibold">Promises</h2>
			<Paged
				all={days.jobs}
				className="max-w-[72em] border-t border-rule"
				row={(j) => <Line key={j.job} j={j} />}
			/>
			{days.left.length > 0 && (
				<>
					<h2 className="mt-5 font-semibold text-stop">No time for these</h2>
					<Paged
						all={days.left}
						className="max-w-[72em] border-t border-rule"
						row={(l) => (
							<li
								key={`${l.job} ${l.why}`}
								className="border-b border-rule py-2"
							>
								<Link
									className="block min-h-11 content-center font-semibold underline-offset-4 hover:underline"
									to={`/jobs/${l.job}`}
								>
									{l.object}
									<span className="block font-normal text-ink-2">{l.why}</span>
								</Link>
							</li>
						)}
					/>
				</>
			)}
		</section>
	);
}

function Line({ j }: { j: DayReady }) {
	return (
		<li className="border-b border-rule" data-promise={j.job}>
			<Link
				to={`/jobs/${j.job}`}
				className="grid min-h-14 gap-x-5 py-2 hover:bg-now-wash sm:grid-cols-[1fr_11rem_16rem]"
			>
				<span className="min-w-0">
					<strong className="font-semibold">{j.object}</strong>
					<span className="block text-[0.9375rem] text-ink-2">{j.why}</span>
				</span>
				<span>
					{j.promised_at ? `promised ${when(j.promised_at)}` : "no promise"}
					<span
						className={`block ${j.safe ? "text-ink-2" : "font-semibold text-stop"}`}
					>
						{j.promised_at && odds(j.kept)}
					</span>
				</span>
				<span>
					{j.ready_at ? `ready ${when(j.ready_at)}` : "no time is left for it"}
					{j.late ? (
						<strong className="text-stop">, {lateBy(j.late)} late</strong>
					) : null}
					{j.nine && (
						<span className="block text-ink-2">
							90 in 100 by {when(j.nine)}
						</span>
					)}
				</span>
			</Link>
			<PromiseIt j={j} />
		</li>
	);
}
