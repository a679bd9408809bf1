import { RadioGroup } from "radix-ui";
import type { ReactNode } from "react";

export type Option<T extends string> = {
	value: T;
	label: ReactNode;
	hint?: ReactNode;
	picture?: ReactNode;
};

/** One of several, each large enough for a glove. */
export function Pick<T extends string>({
	label,
	value,
	options,
	onChange,
	wide = false,
}: {
	label: string;
	value: T | "";
	options: Option<T>[];
	onChange: (v: T) => void;
	wide?: boolean;
}) {
	return (
		<RadioGroup.Root
			aria-label={label}
			value={value}
			onValueChange={(v) => onChange(v as T)}
			className={
				wide
					? "grid grid-cols-1 gap-3 sm:grid-cols-2 lg:grid-cols-3"
					: "flex flex-wrap gap-2"
			}
		>
			{options.map((o) => (
				<RadioGroup.Item
					key={o.value}
					value={o.value}
					className="flex min-h-12 flex-col items-start justify-center gap-0.5 border-2 border-rule bg-lit px-4 py-2 text-left hover:border-ink data-[state=checked]:border-now data-[state=checked]:bg-now-wash data-[state=checked]:font-semibold"
				>
					{o.picture}
					<span>
						<span aria-hidden="true">{value === o.value ? "● " : "○ "}</span>
						{o.label}
					</span>
					{o.hint && (
						<span className="text-[0.9375rem] font-normal text-ink-2">
							{o.hint}
						</span>
					)}
				</RadioGroup.Item>
			))}
		</RadioGroup.Root>
	);
}
