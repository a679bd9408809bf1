import type { ComponentType } from "react";
import { useParams } from "react-router";
import { Page } from "../../app/Page";
import { Tabs } from "../../parts/Tabs";
import { BeadSum } from "./BeadSum";
import { BendSum } from "./BendSum";
import { BondSum } from "./BondSum";
import { DewSum } from "./DewSum";
import { FixingSum } from "./FixingSum";
import { LengthSum } from "./LengthSum";
import { LoadSum } from "./LoadSum";
import { OutlineSum } from "./OutlineSum";
import { PackSum } from "./PackSum";
import { PhotoSum } from "./PhotoSum";
import { SashSum } from "./SashSum";
import { ThicknessSum } from "./ThicknessSum";
import { TurnsSum } from "./TurnsSum";
import { WitnessSum } from "./WitnessSum";

const sums: { key: string; name: string; Sum: ComponentType }[] = [
	{ key: "sash", name: "Sash", Sum: SashSum },
	{ key: "outline", name: "Outline", Sum: OutlineSum },
	{ key: "photo", name: "Photo", Sum: PhotoSum },
	{ key: "pack", name: "Pack", Sum: PackSum },
	{ key: "load", name: "Load on a pane", Sum: LoadSum },
	{ key: "witness", name: "Sizes that disagree", Sum: WitnessSum },
	{ key: "bond", name: "Bond", Sum: BondSum },
	{ key: "bead", name: "Bead", Sum: BeadSum },
	{ key: "fixings", name: "Fixings", Sum: FixingSum },
	{ key: "turns", name: "Screw turns", Sum: TurnsSum },
	{ key: "bend", name: "Bent pane", Sum: BendSum },
	{ key: "dew", name: "Dew point", Sum: DewSum },
	{ key: "length", name: "Length", Sum: LengthSum },
	{ key: "thickness", name: "Thickness", Sum: ThicknessSum },
];

/** Sums on their own, without a job: one at a time, two taps away. */
export function SumsScreen() {
	const { sum } = useParams();
	const here = sums.find((s) => s.key === sum) ?? sums[0];
	return (
		<Page title="Sums" page={here && `${here.name}, Sums`}>
			<Tabs name="Sums" under="/sums" all={sums} here={here} />
			{here && <here.Sum />}
		</Page>
	);
}
