import { useHeldWrite } from "../../../api/panes";
import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";
import { heldOf } from "../sheets/held";

/** Stock sizes that fall inside the fit, and the one that is taken. */
export function StockSizes({ view }: { view: View }) {
	const write = useHeldWrite(view);
	const { stock } = view.reckoning;
	const taken = view.pane.stock ?? "";
	const { signed } = view.job;
	if (taken === "" && (stock.length === 0 || signed)) return null;
	const take = (id: string) => write.mutate({ ...heldOf(view), stock: id });
	return (
		<section
			aria-label="Stock sizes"
			className="border-l-4 border-computed pl-3"
		>
			{taken !== "" ? (
				<>
					<p>A stock size is taken; it comes as it is.</p>
					{!signed && (
						<Button
							kind="quiet"
							disabled={write.isPending}
							onClick={() => take("")}
						>
							Have one made to size instead
						</Button>
					)}
				</>
			) : (
				stock.map((s) => (
					<div key={s.id} className="pb-2" data-stock={s.id}>
						<p>
							<strong>A stock size fits: {s.name}.</strong> {s.says}.
						</p>
						<Button disabled={write.isPending} onClick={() => take(s.id)}>
							Take the stock size
						</Button>
					</div>
				))
			)}
			<Refusal error={write.error} />
		</section>
	);
}
