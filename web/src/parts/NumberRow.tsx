import type { FieldError } from "../api/types";
import { LengthField } from "./LengthField";
import { NumberField } from "./NumberField";

/** A number of a row: `length` is one in mm, typed in any unit. */
export type NumberOf<K extends string> = {
	key: K;
	label: string;
	length?: boolean;
};

/** Several numbers beside one another, each kept under its key. */
export function NumberRow<K extends string>({
	fields,
	values,
	onChange,
	error,
	className,
}: {
	fields: readonly NumberOf<K>[];
	values: Record<K, number>;
	onChange: (key: K, value: number) => void;
	error: (key: string) => FieldError | undefined;
	className: string;
}) {
	return (
		<div className={`grid gap-3 ${className}`}>
			{fields.map((f) => {
				const Field = f.length ? LengthField : NumberField;
				return (
					<Field
						key={f.key}
						label={f.label}
						value={values[f.key]}
						onChange={(v) => onChange(f.key, v)}
						error={error(f.key)}
					/>
				);
			})}
		</div>
	);
}
