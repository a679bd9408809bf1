/** A number by two large keys: less and more. */
export function Stepper({
	name,
	value,
	least,
	most,
	onChange,
}: {
	name: string;
	value: number;
	least: number;
	most: number;
	onChange: (n: number) => void;
}) {
	const key = "min-h-12 w-14 border-2 border-rule bg-lit text-2xl leading-none";
	return (
		// biome-ignore lint/a11y/useSemanticElements: two keys and a number, not a set of fields
		<div className="flex flex-col gap-1" role="group" aria-label={name}>
			<span>{name}</span>
			<span className="flex items-center">
				<button
					type="button"
					className={key}
					aria-label={`${name}: one less`}
					onClick={() => onChange(Math.max(least, value - 1))}
				>
					−
				</button>
				<output className="font-figure w-14 text-center text-2xl font-semibold">
					{value}
				</output>
				<button
					type="button"
					className={key}
					aria-label={`${name}: one more`}
					onClick={() => onChange(Math.min(most, value + 1))}
				>
					+
				</button>
			</span>
		</div>
	);
}
