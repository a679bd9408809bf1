import type { ComponentType } from "react";
import { NavLink, useParams } from "react-router";
import { Page } from "../../app/Page";
import { BendSum } from "./BendSum";
import { LengthSum } from "./LengthSum";
import { OutlineSum } from "./OutlineSum";
import { PackSum } from "./PackSum";
import { PhotoSum } from "./PhotoSum";
import { SashSum } from "./SashSum";
import { ThicknessSum } from "./ThicknessSum";

const sums: { key: string; name: string; Sum: ComponentType }[] = [
	{ key: "sash", name: "Sash", Sum: SashSum },
	{ key: "outline", name: "Outline", Sum: OutlineSum },
	{ key: "photo", name: "Photo", Sum: PhotoSum },
	{ key: "pack", name: "Pack", Sum: PackSum },
	{ key: "bend", name: "Bent pane", Sum: BendSum },
	{ key: "length", name: "Length", Sum: LengthSum },
	{ key: "thickness", name: "Thickness", Sum: ThicknessSum },
];

/** Sums on their own, without a job: one at a time, two taps away. */
export function SumsScreen() {
	const { sum } = useParams();
	const here = sums.find((s) => s.key === sum) ?? sums[0];
	return (
		<Page title="Sums">
			<nav aria-label="Sums" className="mb-6 flex flex-wrap gap-x-1">
				{sums.map((s) => (
					<NavLink
						key={s.key}
						to={`/sums/${s.key}`}
						aria-current={s === here ? "page" : undefined}
						className={`grid min-h-12 place-items-center border-b-4 px-4 text-lg ${s === here ? "border-now font-semibold text-now" : "border-transparent text-ink-2 hover:border-rule"}`}
					>
						{s.name}
					</NavLink>
				))}
			</nav>
			{here && <here.Sum />}
		</Page>
	);
}
