import { useDeferredValue, useEffect, useRef, useState } from "react";
import { useLength } from "../api/lengths";
import type { FieldError } from "../api/types";
import { lengthIn } from "../app/length";
import { useWho } from "../app/who";
import { TextField } from "./Field";
import { useUnread } from "./unread";

/** A number without a unit: in a shop that works in millimetres it is one. */
const bare = /^\d+([.,]\d+)?$/;

/** A length in any unit, with what was understood below it while it is typed; kept in mm. */
export function LengthField({
	label,
	hint,
	value,
	onChange,
	error,
}: {
	label: string;
	hint?: string;
	/** mm; undefined while nothing is there yet */
	value: number | undefined;
	onChange: (mm: number) => void;
	error?: FieldError;
}) {
	const { unit } = useWho().shop;
	const [text, setText] = useState(() =>
		value === undefined ? "" : lengthIn(value, unit),
	);
	// What stands there at first is not asked about: nobody typed it.
	const [typed, setTyped] = useState(false);
	const words = typed ? text.trim() : "";
	const number = unit === "mm" && bare.test(words);
	const asked = useDeferredValue(number ? "" : words);
	const read = useLength(asked, { instrument: "tape" });
	const mm = asked === words ? read.data?.reading.value : undefined;
	const tell = useRef(onChange);
	useEffect(() => {
		tell.current = onChange;
	});
	useEffect(() => {
		if (mm !== undefined) tell.current(mm);
	}, [mm]);
	useUnread(typed && words !== "" && !number && mm === undefined);
	const wrong =
		typed && words === "" && value !== undefined
			? { field: label, why: "a length is expected", cure: "type it" }
			: asked === words && read.error
				? { field: label, why: read.error.message }
				: undefined;
	return (
		<TextField
			label={label}
			hint={mm === undefined ? hint : `= ${read.data?.said}`}
			value={text}
			onChange={(t) => {
				setText(t);
				setTyped(true);
				if (unit === "mm" && bare.test(t.trim()))
					onChange(Number(t.trim().replace(",", ".")));
			}}
			placeholder={unit === "mm" ? "mm" : "inches"}
			autoComplete="off"
			error={wrong ?? error}
		/>
	);
}
