import { type ReactNode, useEffect, useState } from "react";
import { flushSync } from "react-dom";
import { Button } from "./Button";

/** How many rows a list begins with, and how many more each time. */
const some = 25;

/** A long list, some rows at a time; what comes behind it stands behind its last row. */
export function Paged<T>({
	all,
	row,
	className,
	children,
}: {
	all: T[];
	row: (one: T) => ReactNode;
	className?: string;
	children?: ReactNode;
}) {
	const [shown, setShown] = useState(some);
	// On paper a list is whole.
	useEffect(() => {
		const whole = () => flushSync(() => setShown(Number.POSITIVE_INFINITY));
		window.addEventListener("beforeprint", whole);
		return () => window.removeEventListener("beforeprint", whole);
	}, []);
	const left = all.length - shown;
	return (
		<>
			<ol className={className}>{all.slice(0, shown).map(row)}</ol>
			{left > 0 ? (
				<Button className="mt-4" onClick={() => setShown(shown + some)}>
					{left > some
						? `${some} more, of ${left}`
						: left > 1
							? `The last ${left}`
							: "The last one"}
				</Button>
			) : (
				children
			)}
		</>
	);
}
