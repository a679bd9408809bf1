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
		</section>
	);
}
