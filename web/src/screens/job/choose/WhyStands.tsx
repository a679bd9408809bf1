import { useQuery } from "@tanstack/react-query";
import { api, got, type Refused } from "../../../api/client";
import { on } from "../../../api/hooks";
import type { Aspect, Figure, View } from "../../../api/types";
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
	const figures = useQuery<Figure[], Refused>({
		queryKey: [
			"stands",
			view.job.id,
			view.pane.id,
			view.job.version,
			view.pane.version,
			aspect.key,
			material,
		],
		enabled: stand !== undefined,
		queryFn: () =>
			got(
				api.GET("/api/jobs/{id}/stands/{aspect}/{material}", {
					params: on(view, { aspect: aspect.key, material: material ?? "" }),
				}),
			),
	});
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
