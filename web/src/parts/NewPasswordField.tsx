import type { FieldError } from "../api/types";
import { TextField } from "./Field";

/** A password that is being made, with what makes a good one. */
export function NewPasswordField({
	label,
	value,
	onChange,
	error,
	hint = "Ten characters or more; three or four plain words do well.",
}: {
	label: string;
	value: string;
	onChange: (value: string) => void;
	error?: FieldError;
	hint?: string;
}) {
	return (
		<TextField
			label={label}
			type="password"
			value={value}
			onChange={onChange}
			error={error}
			hint={hint}
			autoComplete="new-password"
		/>
	);
}
