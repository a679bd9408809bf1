import { useState } from "react";
import type { FieldError } from "../api/types";
import { TextField } from "./Field";
import { useUnread } from "./unread";

/** A plain number; what cannot be read stays in the field and says so. */
export function NumberField({
	label,
	hint,
	value,
	onChange,
	error,
}: {
	label: string;
	hint?: string;
	value: number;
	onChange: (n: number) => void;
	error?: FieldError;
}) {
	const [text, setText] = useState(String(value));
	const number = Number(text.replace(",", "."));
	const bad = text.trim() === "" || Number.isNaN(number);
	useUnread(bad);
	return (
		<TextField
			label={label}
			hint={hint}
			inputMode="decimal"
			value={text}
			onChange={(t) => {
				setText(t);
				const n = Number(t.replace(",", "."));
				if (t.trim() !== "" && !Number.isNaN(n)) onChange(n);
			}}
			error={
				bad
					? { field: label, why: "a number is expected", cure: "type it" }
					: error
			}
		/>
	);
}
