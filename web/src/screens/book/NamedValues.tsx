import type { Catalogue, Own } from "../../api/types";
import { type Row, ValueTable } from "./ValueTable";

/** An entry of the book with its values under its name. */
export function NamedValues({
	book,
	kind,
	id,
	name,
	rows,
}: {
	book: Catalogue;
	kind: Own["kind"];
	id: string;
	name: string;
	rows: Row[];
}) {
	return (
		<li>
			<h3 className="font-semibold">{name}</h3>
			<ValueTable
				book={book}
				kind={kind}
				id={id}
				of={name}
				says={`Values of ${name}`}
				rows={rows}
			/>
		</li>
	);
}
