import type { ReactNode } from "react";

/** The lit ground of a station's picture: what it shows, said small above it. */
export function Ground({
	says,
	children,
	foot,
}: {
	says: ReactNode;
	children: ReactNode;
	foot?: ReactNode;
}) {
	return (
		<div
			data-ground
			className="lit relative flex min-h-[320px] flex-1 flex-col overflow-hidden lg:min-h-0"
		>
			<p className="px-4 pt-2.5 pr-32 text-[0.9375rem] text-ink-2 sm:px-7 sm:pr-36">
				{says}
			</p>
			<div className="relative min-h-0 flex-1">{children}</div>
			{foot && <div className="px-4 pb-2 sm:px-7">{foot}</div>}
		</div>
	);
}
