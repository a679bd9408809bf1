import type { ReactNode } from "react";
import { Band } from "./Band";
import { Title } from "./Title";

/** A screen without a drawing: a title line, its content, the band. */
export function Page({
	title,
	page,
	aside,
	children,
}: {
	title: string;
	/** What the page is called in the window, where that says more. */
	page?: string;
	aside?: ReactNode;
	children: ReactNode;
}) {
	return (
		<div className="flex h-full flex-col">
			<Title of={page ?? title} />
			<main className="flex-1 overflow-y-auto px-4 pt-5 pb-8 sm:px-7">
				<header className="mb-5 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
					<h1 className="text-lg font-semibold">{title}</h1>
					{aside && <div className="text-ink-2">{aside}</div>}
				</header>
				{children}
			</main>
			<Band />
		</div>
	);
}
