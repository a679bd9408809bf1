import type { View } from "../../../api/types";
import { CautionLine } from "../../../parts/CautionLine";
import type { ColumnProps } from "../column";
import { Experience } from "../Experience";
import { ThroughTime } from "../prove/ThroughTime";
import { WhyItBroke } from "./WhyItBroke";

/** Assess: why it broke, and what to heed before anybody touches it. */
export default function Column({ view, steps }: ColumnProps) {
	return (
		<>
			<ThroughTime view={view} />
			<WhyItBroke view={view} />
			<Experience view={view} kinds={["cause"]} />
			{steps}
			<Cautions view={view} />
		</>
	);
}

function Cautions({ view }: { view: View }) {
	const { cautions, regrets } = view.reckoning.plan;
	return (
		<div className="mt-4">
			<h2 className="font-semibold">Before you touch it</h2>
			<ul>
				{cautions.map((c) => (
					<CautionLine key={c.id} caution={c} />
				))}
			</ul>
			<h2 className="mt-3 font-semibold">What others regret</h2>
			<ul className="list-['–_'] pl-4 text-ink-2">
				{regrets.map((r) => (
					<li key={r}>{r}</li>
				))}
			</ul>
			<p className="mt-3 text-ink-2">
				Local codes, the maker's instructions and people licensed for the work
				come first.
			</p>
		</div>
	);
}
