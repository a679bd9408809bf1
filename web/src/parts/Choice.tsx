import type { ReactNode } from "react";

export function Choice({
	title,
	children,
}: {
	title: string;
	children: ReactNode;
}) {
	return (
		<section>
			<h3 className="mb-1.5 font-semibold">{title}</h3>
			{children}
		</section>
	);
}
