import { Checkbox } from "radix-ui";
import { type ReactNode, useId } from "react";

/** A yes or no with its words, all of it the target. */
export function Tick({
	checked,
	onChange,
	children,
	disabled,
}: {
	checked: boolean;
	onChange: (v: boolean) => void;
	children: ReactNode;
	disabled?: boolean;
}) {
	const id = useId();
	return (
		<div className="flex min-h-12 flex-nowrap! items-center gap-2">
			<Checkbox.Root
				id={id}
				checked={checked}
				disabled={disabled}
				onCheckedChange={(v) => onChange(v === true)}
				className="group grid size-11 shrink-0 place-items-center"
			>
				<span className="grid size-8 place-items-center border-2 border-ink bg-lit group-data-[state=checked]:border-now group-data-[state=checked]:bg-now group-data-[state=checked]:text-on-now">
					<Checkbox.Indicator
						aria-hidden="true"
						className="text-xl leading-none"
					>
						✓
					</Checkbox.Indicator>
				</span>
			</Checkbox.Root>
			<label htmlFor={id} className="min-w-0 flex-1 cursor-pointer py-2">
				{children}
			</label>
		</div>
	);
}
