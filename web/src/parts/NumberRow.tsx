import type { FieldError } from "../api/types";
import { NumberField } from "./NumberField";

/** Several numbers beside one another, each kept under its key. */
export function NumberRow<K extends string>({
	fields,
	values,
	onChange,
	error,
	className,
}: {
	fields: readonly { key: K; label: string }[];
	values: Record<K, number>;
	onChange: (key: K, value: number) => void;
	error: (key: string) => FieldError | undefined;
	className: string;
}) {
	return (
		<div className={`grid gap-3 ${className}`}>
			{fields.map((f) => (
				<NumberField
					key={f.key}
					label={f.label}
					value={values[f.key]}
					onChange={(v) => onChange(f.key, v)}
					error={error(f.key)}
				/>
			))}
		</div>
	);
}
