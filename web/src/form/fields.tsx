import { useController } from "react-hook-form";
import type { FieldError } from "../api/types";
import { TextField } from "../parts/Field";
import { LengthField } from "../parts/LengthField";
import { cents } from "../parts/money";
import { NewPasswordField } from "../parts/NewPasswordField";
import { type Option, Pick } from "../parts/Pick";
import { Tick } from "../parts/Tick";

/** What is wrong with a text, in the program's words; undefined where nothing is. */
type Check = (text: string) => string | undefined;

/** The number of a text; NaN for none. */
export function numberOf(text: string): number {
	const t = text.trim().replace(",", ".");
	return t === "" ? 0 : Number(t);
}

const isNumber: Check = (t) =>
	Number.isNaN(numberOf(t)) ? "a number is expected" : undefined;
const isWhole: Check = (t) =>
	/^\d{1,4}$/.test(t.trim()) ? undefined : "a whole number is expected";
const isPrice: Check = (t) =>
	Number.isNaN(cents(t)) ? "a price such as 12.50 is expected" : undefined;
const isPercent: Check = (t) =>
	Number.isNaN(cents(t)) ? "a number such as 12.50 is expected" : undefined;

/** A field of the form by its name, with what is wrong with it. */
function useNamed(name: string, check?: Check) {
	const { field, fieldState } = useController({
		name,
		rules: { validate: (v) => check?.(String(v ?? "")) ?? true },
	});
	const why = fieldState.error?.message;
	const error: FieldError | undefined = why ? { field: name, why } : undefined;
	return { field, error };
}

type TextProps = {
	name: string;
	label: string;
	hint?: string;
	type?: "text" | "password" | "date";
	placeholder?: string;
	maxLength?: number;
	autoComplete?: string;
	autoFocus?: boolean;
	inputMode?: "decimal" | "numeric" | "text" | "tel";
};

/** A text of the form, held to what it must be. */
function Checked({ name, check, ...rest }: TextProps & { check?: Check }) {
	const { field, error } = useNamed(name, check);
	return <TextField {...rest} {...field} error={error} />;
}

export const TextOf = (p: TextProps) => <Checked {...p} />;
export const NumberOf = (p: TextProps) => (
	<Checked inputMode="decimal" {...p} check={isNumber} />
);
export const WholeOf = (p: TextProps) => (
	<Checked inputMode="numeric" {...p} check={isWhole} />
);
export const MoneyOf = (p: TextProps) => (
	<Checked inputMode="decimal" {...p} check={isPrice} />
);
export const PercentOf = (p: TextProps) => (
	<Checked inputMode="decimal" {...p} check={isPercent} />
);

/** A length of the form, in mm as a text; empty while nothing is there. */
export function LengthOf({ name, label }: { name: string; label: string }) {
	const { field, error } = useNamed(name);
	return (
		<LengthField
			label={label}
			value={field.value === "" ? undefined : Number(field.value)}
			onChange={(v) => field.onChange(String(v))}
			error={error}
		/>
	);
}

export function PasswordOf({
	name,
	...rest
}: {
	name: string;
	label: string;
	hint: string;
}) {
	const { field, error } = useNamed(name);
	return (
		<NewPasswordField
			{...rest}
			value={field.value}
			onChange={field.onChange}
			error={error}
		/>
	);
}

/** One of several, each a key. */
export function PickOf<T extends string>({
	name,
	label,
	options,
	onPick,
}: {
	name: string;
	label: string;
	options: Option<T>[];
	/** What else follows. */
	onPick?: (value: T) => void;
}) {
	const { field } = useNamed(name);
	return (
		<Pick
			label={label}
			value={field.value}
			options={options}
			onChange={(v) => {
				field.onChange(v);
				onPick?.(v);
			}}
		/>
	);
}

export function TickOf({ name, children }: { name: string; children: string }) {
	const { field } = useNamed(name);
	return (
		<Tick checked={field.value} onChange={field.onChange}>
			{children}
		</Tick>
	);
}
