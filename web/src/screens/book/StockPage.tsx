import { useState } from "react";
import type { Catalogue } from "../../api/types";
import { useLengths } from "../../app/length";
import { useWho } from "../../app/who";
import { MaterialField } from "../../parts/MaterialField";
import { NumberRow } from "../../parts/NumberRow";
import { NamedValues } from "./NamedValues";
import { OwnForm } from "./OwnForm";

const sides = [
	{ key: "w", label: "wide", length: true },
	{ key: "h", label: "high", length: true },
] as const;

/** The sizes in which panes are sold ready cut. */
export function StockPage({ book }: { book: Catalogue }) {
	const { account } = useWho();
	const lengths = useLengths();
	const nameOf = (id: string) =>
		book.materials.find((m) => m.id === id)?.name ?? id;
	return (
		<section aria-label="Stock sizes">
			<h2 className="text-xl font-semibold">Sold ready cut</h2>
			<p className="mb-2 max-w-[46em] text-ink-2">
				Offered at Source where one goes in and stays as it comes. The book's
				are common practice, from memory; lay the thickness that your own
				supplier sells over them, or 0 for a size that is sold no more.
			</p>
			<ul className="grid gap-x-12 gap-y-4 lg:grid-cols-2">
				{book.stock.map((s) => (
					<NamedValues
						key={`${s.id}/${s.material}`}
						book={book}
						kind="stock"
						id={s.id}
						name={`${lengths.said(s.w, s.h)}, ${s.use}`}
						rows={[
							{
								item: s.material,
								name:
									s.thickness.v > 0
										? nameOf(s.material)
										: `${nameOf(s.material)}, sold no more`,
								unit: "mm",
								value: s.thickness,
							},
						]}
					/>
				))}
			</ul>
			{account.role === "owner" && <OneMore materials={book.materials} />}
		</section>
	);
}

/** A size that the book has not. */
function OneMore({ materials }: { materials: Catalogue["materials"] }) {
	const [size, setSize] = useState({ w: 0, h: 0 });
	const [material, setMaterial] = useState("annealed");
	const whole = size.w >= 20 && size.h >= 20;
	return (
		<section aria-label="A size of your own" className="mt-6 max-w-[32em]">
			<h3 className="mb-2 font-semibold">A size that your supplier sells</h3>
			<NumberRow
				fields={sides}
				values={size}
				onChange={(key, v) => setSize({ ...size, [key]: v })}
				error={() => undefined}
				className="mb-3 grid-cols-2"
			/>
			<MaterialField
				label="Of"
				value={material}
				materials={materials}
				onChange={setMaterial}
			/>
			{whole && (
				<div className="mt-3">
					<OwnForm
						key={`${size.w}x${size.h}/${material}`}
						at={{
							kind: "stock",
							id: `${Math.round(size.w)}x${Math.round(size.h)}`,
							item: material,
						}}
						unit="mm thick"
						onDone={() => setSize({ w: 0, h: 0 })}
					/>
				</div>
			)}
		</section>
	);
}
