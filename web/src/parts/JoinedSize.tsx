import type { Joined } from "../api/types";
import { WitnessSpans } from "../bench/WitnessSpans";
import { FigureLine } from "./FigureLine";

/** What all that speak for one side of a pane stand for, and who is wrong. */
export function JoinedSize({
	joined,
	way,
}: {
	joined: Joined;
	way: "width" | "height";
}) {
	return (
		<div data-witnessed={way} className="min-w-0">
			<h3 className="font-semibold">The pane's {way}</h3>
			{joined.figures.map((f) => (
				<FigureLine key={f.key} figure={f} />
			))}
			<WitnessSpans joined={joined} />
			<p className="mt-1">{joined.words}</p>
			{joined.tell && (
				<p className="border-l-4 border-now pl-3">
					What would tell: {joined.tell}.
				</p>
			)}
			<ul className="mt-2 text-[0.9375rem]">
				{joined.says.map((s, n) => (
					<li
						// biome-ignore lint/suspicious/noArrayIndexKey: one kind may speak twice
						key={n}
						className={s.liar ? "text-stop" : "text-ink-2"}
					>
						{s.liar ? "✗ " : ""}
						{s.name}: {s.formula}
					</li>
				))}
			</ul>
		</div>
	);
}
