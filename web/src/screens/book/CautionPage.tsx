import type { Catalogue } from "../../api/types";

/** What can hurt someone, when it applies, and why. */
export function CautionPage({ book }: { book: Catalogue }) {
	return (
		<div>
			<p className="mb-3 max-w-[46em]">
				Shown wherever they apply, and never switched off. Local codes, the
				maker's instructions and people licensed for the work come first.
			</p>
			<ul className="grid gap-x-10 lg:grid-cols-2">
				{book.cautions.map((c) => (
					<li key={c.id} className="border-t border-rule py-3">
						<h2 className="text-lg font-semibold">
							{c.title}
							{c.customer && (
								<span className="ml-2 font-normal text-ink-2">
									for the customer
								</span>
							)}
						</h2>
						<p>{c.text}</p>
						<p className="text-ink-2">
							{c.reason} {when(c.when)}
						</p>
					</li>
				))}
			</ul>
		</div>
	);
}

function when(facts: string[]): string {
	if (facts.length === 0) return "Always.";
	return `When: ${facts.join(" and ")}.`;
}
