import type { PackOut } from "../api/types";

/** The same panes in other orders and facings, the coolest outside first. */
export function PackOrders({ orders }: { orders: PackOut["orders"] }) {
	return (
		<details className="mt-3">
			<summary className="min-h-11 cursor-pointer content-center font-semibold">
				Other orders and facings
			</summary>
			<ol>
				{orders.map((o) => (
					<li
						key={`${o.order.join()} ${o.turned.join()}`}
						className={`grid grid-cols-[1fr_5rem_6rem] gap-3 border-b border-rule py-1.5 ${o.as_built ? "font-semibold text-now" : ""}`}
					>
						<span>{o.words}</span>
						<span className="font-figure text-right">
							{Math.round(o.touch)} °C
						</span>
						<span className="font-figure text-right text-ink-2">
							{o.as_built
								? ""
								: `${o.hotter >= 0 ? "+" : "−"}${Math.abs(o.hotter).toFixed(1)} K`}
						</span>
					</li>
				))}
			</ol>
		</details>
	);
}
