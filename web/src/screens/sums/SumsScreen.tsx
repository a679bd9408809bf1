import { Page } from "../../app/Page";
import { LengthSum } from "./LengthSum";
import { OutlineSum } from "./OutlineSum";
import { SashSum } from "./SashSum";
import { ThicknessSum } from "./ThicknessSum";

/** Sums on their own, without a job. */
export function SumsScreen() {
	return (
		<Page title="Sums">
			<div className="flex flex-col gap-12">
				<SashSum />
				<OutlineSum />
				<div className="grid gap-x-14 gap-y-10 lg:grid-cols-2">
					<LengthSum />
					<ThicknessSum />
				</div>
			</div>
		</Page>
	);
}
