import { useDeferredValue } from "react";
import { useMoment } from "../api/lengths";
import type { FieldError } from "../api/types";
import { TextField } from "./Field";

/** A time as people say it, with how it is understood below. */
export function WhenField({
	label,
	hint,
	value,
	onChange,
	error,
	known,
}: {
	label: string;
	hint?: string;
	value: string;
	onChange: (text: string) => void;
	error?: FieldError;
	/** The words that stand there already; they are asked about no more. */
	known?: string;
}) {
	const words = useDeferredValue(value.trim());
	const understood = useMoment(words, known);
	const said =
		words === "" || words === known
			? hint
			: understood.data
				? `= ${understood.data.said}`
				: understood.isError
					? understood.error.message
					: "…";
	return (
		<TextField
			label={label}
			value={value}
			onChange={onChange}
			error={error}
			hint={said}
			placeholder="Fri 4, tomorrow noon, 3 Dec 16:30"
			autoComplete="off"
			maxLength={60}
		/>
	);
}
