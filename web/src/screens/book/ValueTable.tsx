import type { Catalogue, Own, Value } from "../../api/types";
import { ValueRow } from "./ValueRow";

export type Row = {
	item: string;
	name: string;
	unit: string;
	value?: Value;
};

/** The values of one entry of the book. */
export function ValueTable({
	book,
	kind,
	id,
	of,
	says,
	rows,
}: {
	book: Catalogue;
	kind: Own["kind"];
	id: string;
	/** The entry, for the buttons' names. */
	of: string;
	/** What the table is, for who cannot see it. */
	says: string;
	rows: Row[];
}) {
	return (
		<table className="w-full">
			<caption className="sr-only">{says}</caption>
			<tbody>
				{rows.map((r) => (
					<ValueRow
						key={r.item}
						book={book}
						kind={kind}
						id={id}
						of={of}
						{...r}
					/>
				))}
			</tbody>
		</table>
	);
}
