import type { ReactNode } from "react";
import type { Figure } from "../../api/types";
import { type NumberOf, NumberRow } from "../../parts/NumberRow";
import { FigureList } from "./FigureList";

type Fields<K extends string> = readonly NumberOf<K>[];

/** A row of numbers over the figures that they give. */
export function Numbers<K extends string, T extends Record<K, number>>({
	name,
	fields,
	form,
	set,
	call,
	children,
}: {
	name: string;
	fields: Fields<K>;
	form: T;
	set: (form: T) => void;
	call: (form: T) => Promise<Figure[] | null>;
	children?: ReactNode;
}) {
	return (
		<FigureList
			name={name}
			asked={form}
			call={call}
			fields={fields.map((f) => f.key)}
		>
			{(error) => (
				<>
					{children}
					<NumberRow
						fields={fields}
						values={form}
						onChange={(key, v) => set({ ...form, [key]: v })}
						error={(f) => error?.field(f)}
						className="mt-3 max-w-[40em] grid-cols-2 sm:grid-cols-3"
					/>
				</>
			)}
		</FigureList>
	);
}
