import type { Layer } from "../api/types";

/** The panes of a pack edge-on, in the order in which they came out. */
export function PackStack({ layers }: { layers: Layer[] }) {
	if (layers.length === 0) return null;
	return (
		<figure className="my-3">
			<figcaption className="font-semibold">
				Panes, outermost first, as they came out
			</figcaption>
			<ol>
				{layers.map((l) => (
					<li
						key={l.number}
						className="my-1 flex items-center gap-3 border-y-[5px] bg-lit px-3 py-1"
						style={{ borderColor: "var(--edge-green)" }}
					>
						<span className="font-figure text-xl font-semibold">
							{l.number}
						</span>
						<span>
							{l.what}
							{l.facing && <span className="text-ink-2"> · {l.facing}</span>}
						</span>
					</li>
				))}
			</ol>
		</figure>
	);
}
