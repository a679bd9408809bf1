import { type ReactNode, useDeferredValue } from "react";
import { useSum } from "../../api/call";
import type { Refused } from "../../api/refused";
import type { Figure } from "../../api/types";
import { FigureLine } from "../../parts/FigureLine";
import { Refusal } from "../../parts/Refusal";

/** A form over the figures that it gives; what is wrong stands at its field. */
export function FigureList<T>({
	name,
	asked,
	call,
	fields,
	children,
}: {
	name: string;
	asked: T;
	call: (asked: T) => Promise<Figure[] | null>;
	fields: string[];
	children: (error: Refused | null) => ReactNode;
}) {
	const later = useDeferredValue(asked);
	const q = useSum([name, later], () => call(later));
	const error = q.error ?? null;
	return (
		<>
			{children(error)}
			<Refusal
				error={error && !fields.some((f) => error.field(f)) ? error : null}
			/>
			{q.data && !error && (
				<div className="mt-2" data-sum={name}>
					{q.data.map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
				</div>
			)}
		</>
	);
}
