import { useStands } from "../../../api/panes";
import type { Aspect, View } from "../../../api/types";
import { FigureLine } from "../../../parts/FigureLine";
import { Refusal } from "../../../parts/Refusal";
import { Sheet } from "../../../parts/Sheet";

/** The numbers behind one bar: what a pane stands of one thing that the place asks. */
export function WhyStands({
	view,
	aspect,
	material,
	onClose,
}: {
	view: View;
	aspect: Aspect;
	/** Undefined while nothing is asked. */
	material?: string;
	onClose: () => void;
}) {
	const stand = aspect.stand.find((s) => s.material === material);
	const figures = useStands(view, aspect.key, material, stand !== undefined);
	return (
		<Sheet
			title={stand ? `${aspect.name}: ${stand.name}` : ""}
			open={stand !== undefined}
			onClose={onClose}
		>
			<p className="mb-4 text-ink-2">This place asks for {aspect.says}.</p>
			<Refusal error={figures.error} />
			<div data-why-stands={stand?.material}>
				{figures.data?.map((f) => (
					<FigureLine key={f.key} figure={f} />
				))}
			</div>
		</Sheet>
	);
}
