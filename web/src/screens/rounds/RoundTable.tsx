import { Link } from "react-router";
import type { RoundHop, RoundSheet } from "../../api/types";
import { clock, dayName } from "../../app/when";

/** A round as it is driven: when it leaves, each way, each stop, when it is back. */
export function RoundTable({ sheet }: { sheet: RoundSheet }) {
	return (
		<div data-round={sheet.stops.length}>
			<h3 className="text-xl font-semibold">
				{dayName(sheet.leaves_at)}, {clock(sheet.leaves_at)} to{" "}
				{clock(sheet.back_at)}
				<span className="block text-base font-normal text-ink-2">
					{sheet.names.join(" and ")}
				</span>
			</h3>
			<ol className="mt-2 border-t border-rule">
				{sheet.stops.map((s, i) => {
					const v = sheet.visits[i];
					return (
						<li key={s.job} className="border-b border-rule">
							<Way way={s.way} />
							<Link
								to={`/jobs/${s.job}`}
								className="grid min-h-14 grid-cols-[7.5rem_1fr] gap-x-4 py-2 hover:bg-now-wash"
							>
								<strong className="font-figure">
									{clock(s.begins_at)} – {clock(s.done_at)}
								</strong>
								<span>
									<strong className="font-semibold">{v?.object}</strong>
									<span className="block text-ink-2">
										{s.place}, {v?.customer}
									</span>
									<span className="block">{v?.what}</span>
								</span>
							</Link>
						</li>
					);
				})}
				<li>
					<Way way={sheet.home} />
				</li>
			</ol>
		</div>
	);
}

function Way({ way }: { way: RoundHop[] }) {
	return (
		<ul className="py-1 text-ink-2">
			{way.map((h) => (
				<li
					key={`${h.leaves_at} ${h.to}`}
					className="grid grid-cols-[7.5rem_1fr] gap-x-4"
				>
					<span className="font-figure">{clock(h.leaves_at)}</span>
					<span>
						{h.ferry ? (
							<>
								<span aria-hidden="true">≈ </span>
								{h.ferry} to {h.to}, lands {clock(h.lands_at)}
							</>
						) : (
							<>drive to {h.to}</>
						)}
					</span>
				</li>
			))}
		</ul>
	);
}
