import type { ReactNode } from "react";
import type { Suspect, WhyResult } from "../../../api/types";

/** How many of the ranked are worth a line. */
const shown = 4;

/** Ranked causes or materials, each with what speaks for and against it. */
export function Suspects({
	result,
	action,
}: {
	result: WhyResult;
	action?: (s: Suspect) => ReactNode;
}) {
	if (!result.ranked.some((r) => r.score !== 0)) return null;
	return (
		<div>
			<p className="text-lg font-semibold">{result.sentence}</p>
			{result.next && (
				<p className="text-ink-2">
					To tell the first two apart: {result.next.ask.toLowerCase()}{" "}
					{result.next.first && <>“{result.next.first}” speaks for the first</>}
					{result.next.first && result.next.second && ", "}
					{result.next.second && <>“{result.next.second}” for the second</>}.
				</p>
			)}
			<ol className="mt-2 border-t border-rule">
				{result.ranked.slice(0, shown).map((r) => (
					<li
						key={r.id}
						data-suspect={r.id}
						className="border-b border-rule py-1.5"
					>
						<details>
							<summary className="grid min-h-11 cursor-pointer grid-cols-[1fr_6rem_3rem] items-center gap-3">
								<strong className="font-semibold">{r.name}</strong>
								<span aria-hidden="true" className="h-3 bg-metal">
									<span
										className="block h-3 bg-computed"
										style={{ width: `${Math.round(r.share * 100)}%` }}
									/>
								</span>
								<span className="font-figure text-right">
									{Math.round(r.share * 100)}
									<span className="sr-only"> in 100</span>
								</span>
							</summary>
							<ul className="pl-3 text-[0.9375rem]">
								{r.for.map((p) => (
									<li key={p.question}>
										+{p.weight} {p.say}: {p.reason}
									</li>
								))}
								{r.against.map((p) => (
									<li key={p.question} className="text-ink-2">
										{String(p.weight).replace("-", "−")} {p.say}: {p.reason}
									</li>
								))}
								<li className="text-ink-2">
									Score {String(r.score).replace("-", "−")}; share e^score ÷ the
									sum over all. Weights: common practice, no source.
								</li>
							</ul>
						</details>
						{action?.(r)}
					</li>
				))}
			</ol>
		</div>
	);
}
