/** A head with lines below it; nothing where there are none. */
export function Lines({
	head,
	lines,
	ordered = false,
}: {
	head: string;
	lines: string[];
	ordered?: boolean;
}) {
	if (lines.length === 0) return null;
	const List = ordered ? "ol" : "ul";
	return (
		<section aria-label={head} className="mt-4">
			<h3 className="font-semibold">{head}</h3>
			<List className={ordered ? "list-decimal pl-7" : "list-['–_'] pl-4"}>
				{lines.map((l) => (
					<li key={l} className="py-0.5">
						{l}
					</li>
				))}
			</List>
		</section>
	);
}
