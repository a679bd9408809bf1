import type { Figure } from "../api/types";
import { num } from "./num";

/** The sum behind a number: formula, values, limit, and where each comes from. */
export function WorkingView({ figure }: { figure: Figure }) {
	const w = figure.working;
	return (
		<div className="border-l-2 border-computed py-1 pl-4 text-[0.9375rem]">
			<p className="font-figure text-base font-semibold text-computed">
				{w.formula}
			</p>
			<p className="font-figure mt-0.5 text-base break-words">{w.values}</p>
			<table className="mt-2 w-full border-t border-rule text-left align-top">
				<caption className="sr-only">What went in</caption>
				<tbody>
					{w.inputs.map((i) => (
						<tr
							key={`${i.symbol} ${i.name}`}
							className="border-b border-rule align-top"
						>
							<th scope="row" className="font-figure w-9 py-1 font-semibold">
								{i.symbol}
							</th>
							<td className="py-1 pr-2">
								{i.name}
								<span className="block text-ink-2">{i.source}</span>
							</td>
							<td className="font-figure py-1 text-right whitespace-nowrap">
								{num(i.value)} {i.unit}
							</td>
						</tr>
					))}
					{figure.limit && (
						<tr className="align-top">
							<th scope="row" className="py-1" aria-label="limit">
								⊣
							</th>
							<td className="py-1 pr-2">
								limit, {figure.limit.sense.replace("-", " ")}
								<span className="block text-ink-2">{figure.limit.source}</span>
							</td>
							<td className="font-figure py-1 text-right whitespace-nowrap">
								{num(figure.limit.value)} {figure.limit.unit}
							</td>
						</tr>
					)}
				</tbody>
			</table>
			{w.note && <p className="mt-2 text-ink-2">{w.note}</p>}
		</div>
	);
}
