import { useState } from "react";
import type { View } from "../../../api/types";
import { later, Once } from "../../../app/later";
import { PackOrders } from "../../../bench/PackOrders";
import { Button } from "../../../parts/Button";
import { FigureLine } from "../../../parts/FigureLine";
import { PackThrough } from "./PackThrough";

const StackSheet = later(() => import("../sheets/StackSheet"), "StackSheet");

/** The pack that the pane stands in: how warm each gets, and what a swap does. */
export function ThePack({
	view,
	numbers = false,
}: {
	view: View;
	/** With the numbers that open their working, where no list has them. */
	numbers?: boolean;
}) {
	const [open, setOpen] = useState(false);
	const { pack, family } = view.reckoning;
	const panes = view.pane.stack.panes ?? [];
	const packs =
		family.sizing === "pack" ||
		(family.sizing === "channel" && family.facts.includes("heat"));
	if (!packs && panes.length === 0) return null;
	return (
		<section aria-label="The pack" className="border-b border-rule py-3">
			<h2 className="font-semibold">The pack</h2>
			{pack ? (
				<>
					<div className={numbers ? "sm:hidden" : ""}>
						<PackThrough view={view} narrow />
					</div>
					<p className="mt-2" data-touch={pack.result.touch}>
						<strong>{Math.round(pack.result.touch)} °C outside.</strong>{" "}
						{pack.says}
					</p>
					{numbers &&
						view.reckoning.figures
							.filter((f) => f.key.startsWith("pack_"))
							.map((f) => <FigureLine key={f.key} figure={f} />)}
					<PackOrders orders={pack.orders} />
				</>
			) : (
				<p className="text-ink-2">
					Each pane of a pack gets a different heat. Note them in the order in
					which they came out, and the choice goes by this one's own place.
				</p>
			)}
			{!view.job.signed && (
				<Button className="mt-2" onClick={() => setOpen(true)}>
					{pack ? "Change the pack" : "Note the panes of the pack"}
				</Button>
			)}
			<Once open={open}>
				<StackSheet view={view} open={open} onClose={() => setOpen(false)} />
			</Once>
		</section>
	);
}
