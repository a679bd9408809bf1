import type { FieldError, Material } from "../api/types";
import { control, Field } from "./Field";

/** One of the book's materials. */
export function MaterialField({
	label,
	value,
	materials,
	onChange,
	error,
}: {
	label: string;
	value: string;
	materials: Material[];
	onChange: (id: string) => void;
	error?: FieldError;
}) {
	return (
		<Field label={label} error={error}>
			{(a) => (
				<select
					{...a}
					className={control}
					value={value}
					onChange={(e) => onChange(e.target.value)}
				>
					{materials.map((m) => (
						<option key={m.id} value={m.id}>
							{m.short}
						</option>
					))}
				</select>
			)}
		</Field>
	);
}

/** A nominal thickness; one that stands already is kept among them. */
export function ThicknessField({
	label,
	value,
	material,
	onChange,
	error,
}: {
	label: string;
	value: number;
	material: Material | undefined;
	onChange: (mm: number) => void;
	error?: FieldError;
}) {
	const all = [...new Set([...(material?.thicknesses ?? []), value])].sort(
		(x, y) => x - y,
	);
	return (
		<Field label={label} error={error}>
			{(a) => (
				<select
					{...a}
					className={control}
					value={value}
					onChange={(e) => onChange(Number(e.target.value))}
				>
					{all.map((t) => (
						<option key={t} value={t}>
							{t}
						</option>
					))}
				</select>
			)}
		</Field>
	);
}
