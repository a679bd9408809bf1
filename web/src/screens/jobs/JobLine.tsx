import { Link } from "react-router";
import type { Listed } from "../../api/types";
import { span, when } from "../../app/when";
import { MiniRoute } from "../../bench/MiniRoute";

/** A job of the list: what it is, where it stands, what it waits for, its promise. */
export function JobLine({ row }: { row: Listed }) {
	return (
		<li className="border-b border-rule" data-listed={row.id}>
			<Link
				to={`/jobs/${row.id}`}
				className="grid min-h-16 grid-cols-[2.5rem_1fr] items-baseline gap-x-4 py-2.5 hover:bg-now-wash sm:grid-cols-[2.5rem_1fr_11rem_9rem]"
			>
				<span className="font-figure text-ink-2">{row.id}</span>
				<span className="min-w-0">
					<strong className="font-semibold">{row.object}</strong>
					<span className="text-ink-2"> · {row.customer}</span>
					<Stands row={row} />
				</span>
				<span className="max-sm:col-start-2">
					{row.route.length > 0 && <MiniRoute legs={row.route} />}
				</span>
				<span
					className={`max-sm:col-start-2 sm:text-right ${row.late ? "font-semibold text-stop" : ""}`}
				>
					{row.signed
						? "signed off"
						: row.withdrawn
							? "withdrawn"
							: row.promised_at
								? `${row.late ? "late: promised " : ""}${when(row.promised_at)}`
								: "no promise"}
					{row.left > 0 && (
						<span className="block text-[0.9375rem] font-normal text-ink-2">
							{span(row.left)} of work
						</span>
					)}
				</span>
			</Link>
		</li>
	);
}

/** What is next at it, what it waits for, or what happened. */
function Stands({ row }: { row: Listed }) {
	if (row.problem) {
		return (
			<span className="block text-[0.9375rem] text-stop">{row.problem}</span>
		);
	}
	if (row.waiting) {
		return (
			<span className="block text-[0.9375rem] text-ink-2">
				waits for {row.waits_for}
				{row.waits_until && `, ${when(row.waits_until)}`}
			</span>
		);
	}
	return (
		<span className="block truncate text-[0.9375rem] text-ink-2">
			{row.next ? `next: ${row.next}` : row.story}
		</span>
	);
}
