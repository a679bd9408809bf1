import type { Catalogue } from "../../api/types";
import { NamedValues } from "./NamedValues";

/** Rules of thumb: what the program goes by where nothing else says. */
export function UsualPage({ book }: { book: Catalogue }) {
	return (
		<section aria-label="Rules of thumb">
			<h2 className="text-xl font-semibold">Rules of thumb</h2>
			<p className="mb-2 text-ink-2">
				What the program goes by where nothing else says. Common practice, no
				source: set your shop’s own.
			</p>
			<ul className="grid gap-x-12 gap-y-6 lg:grid-cols-2">
				{book.usual.map((g) => (
					<NamedValues
						key={g.id}
						book={book}
						kind="usual"
						id={g.id}
						name={g.name}
						rows={g.rows}
					/>
				))}
			</ul>
			<h2 className="mt-8 text-xl font-semibold">Check these first</h2>
			<p className="mb-2 text-ink-2">
				These values decide most and nobody has checked them against the printed
				standard or a data sheet. Check them, then set your own on their page.
			</p>
			<table className="w-full">
				<caption className="sr-only">Values to check first</caption>
				<tbody>
					{book.unproven.map((u) => (
						<tr
							key={`${u.kind} ${u.id} ${u.item}`}
							className="border-b border-rule"
						>
							<th scope="row" className="py-2 pr-4 text-left font-normal">
								{u.name}
							</th>
							<td className="py-2 font-figure pr-4 text-right font-semibold whitespace-nowrap">
								{u.v} {u.unit}
							</td>
							<td className="py-2 text-ink-2">
								{u.own ? "set by the shop" : u.decides}
							</td>
						</tr>
					))}
				</tbody>
			</table>
		</section>
	);
}
