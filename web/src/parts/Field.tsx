import { type ReactNode, type Ref, useId } from "react";
import type { FieldError } from "../api/types";

type Props = {
	label: string;
	hint?: ReactNode;
	error?: FieldError;
	children: (a: {
		id: string;
		"aria-invalid": boolean;
		"aria-describedby"?: string;
	}) => ReactNode;
};

/** A label, a control and, at the control, what is wrong and what cures it. */
export function Field({ label, hint, error, children }: Props) {
	const id = useId();
	const says = `${id}-says`;
	return (
		<div className="flex flex-col gap-1">
			<label htmlFor={id} className="font-semibold">
				{label}
			</label>
			{children({
				id,
				"aria-invalid": error !== undefined,
				"aria-describedby": error || hint ? says : undefined,
			})}
			<FieldSays id={says} hint={hint} error={error} />
		</div>
	);
}

export function FieldSays({
	id,
	hint,
	error,
}: {
	id?: string;
	hint?: ReactNode;
	error?: FieldError;
}) {
	if (error) {
		return (
			<p id={id} role="alert" className="border-l-4 border-stop pl-2 text-stop">
				<strong>Not yet:</strong> {error.why}
				{error.cure ? `; ${error.cure}.` : "."}
			</p>
		);
	}
	if (hint) {
		return (
			<p id={id} className="text-[0.9375rem] text-ink-2">
				{hint}
			</p>
		);
	}
	return null;
}

export const control =
	"min-h-12 w-full border-b-2 border-ink bg-lit px-3 text-ink placeholder:text-ink-3 aria-[invalid=true]:border-stop";

/** A text field with all of that. */
export function TextField({
	label,
	hint,
	error,
	value,
	onChange,
	type = "text",
	...rest
}: {
	label: string;
	hint?: ReactNode;
	error?: FieldError;
	value: string;
	onChange: (v: string) => void;
	type?: string;
	ref?: Ref<HTMLInputElement>;
	onBlur?: () => void;
	autoComplete?: string;
	autoFocus?: boolean;
	placeholder?: string;
	inputMode?: "decimal" | "numeric" | "text" | "tel";
	maxLength?: number;
}) {
	return (
		<Field label={label} hint={hint} error={error}>
			{(a) => (
				<input
					{...a}
					{...rest}
					type={type}
					className={control}
					value={value}
					onChange={(e) => onChange(e.target.value)}
				/>
			)}
		</Field>
	);
}
