import { type ReactNode, useState } from "react";

export type Fold = {
	key: string;
	title: string;
	/** What is in it, in a few words, while it is shut. */
	says?: string;
	children: ReactNode;
};

/** Blocks of a column, one of them open; the others say what is in them. */
export function Folds({ all, first }: { all: Fold[]; first: string }) {
	// What is open stays so under one's hands, whatever changes.
	const [open, setOpen] = useState(first);
	return (
		<div className="border-t border-rule">
			{all.map((f) => (
				<section
					key={f.key}
					aria-label={f.title}
					className="border-b border-rule"
				>
					<h2>
						<button
							type="button"
							aria-expanded={open === f.key}
							className="flex min-h-12 w-full items-center justify-between gap-4 py-1 text-left"
							onClick={() => setOpen(open === f.key ? "" : f.key)}
							data-fold={f.key}
						>
							<span className="min-w-0">
								<span className="text-lg font-semibold">{f.title}</span>
								{open !== f.key && f.says && (
									<span className="block truncate text-[0.9375rem] text-ink-2">
										{f.says}
									</span>
								)}
							</span>
							<span aria-hidden="true" className="text-ink-2">
								{open === f.key ? "▴" : "▾"}
							</span>
						</button>
					</h2>
					{open === f.key && (
						<div className="flex flex-col gap-4 pb-4">{f.children}</div>
					)}
				</section>
			))}
		</div>
	);
}
