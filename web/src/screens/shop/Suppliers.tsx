import { useState } from "react";
import { useDropSupplier, usePutSupplier, useSuppliers } from "../../api/shop";
import type { Supplier } from "../../api/types";
import { Form, useFilled } from "../../form/Form";
import { PickOf, TextOf } from "../../form/fields";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";

const none: Supplier = {
	id: 0,
	name: "",
	kind: "cutter",
	way: "http",
	address: "",
};

/** Who answers what is asked of them by themselves. */
export function Suppliers() {
	const [adding, setAdding] = useState(false);
	const all = useSuppliers();
	const drop = useDropSupplier();
	return (
		<section aria-label="Who answers by themselves">
			<h2 className="text-2xl font-semibold">Who answers by themselves</h2>
			<p className="text-ink-2">
				Asked at Source with one tap, by a call on this machine or by files in a
				folder.
			</p>
			<ul className="mt-2 border-t border-rule">
				{(all.data ?? []).map((v) => (
					<li
						key={v.id}
						className="flex flex-wrap items-center justify-between gap-x-4 border-b border-rule py-1"
					>
						<span>
							<strong>{v.name}</strong>{" "}
							<span className="text-ink-2">
								{v.way === "http" ? "by call" : "by file"}, {v.address}
							</span>
						</span>
						<Button kind="quiet" onClick={() => drop.mutate(v.id)}>
							take out
						</Button>
					</li>
				))}
			</ul>
			<Refusal error={drop.error} />
			{adding ? (
				<SupplierForm onDone={() => setAdding(false)} />
			) : (
				<Button className="mt-2" onClick={() => setAdding(true)}>
					One more …
				</Button>
			)}
		</section>
	);
}

function SupplierForm({ onDone }: { onDone: () => void }) {
	const filled = useFilled(none, "supplier");
	const put = usePutSupplier();
	return (
		<Form
			className="mt-3 flex flex-col gap-3 border-l-4 border-now pl-3"
			filled={filled}
			write={put}
			body={(f) => f}
			onDone={onDone}
		>
			<TextOf label="Called" name="name" maxLength={80} />
			<PickOf
				label="What they are"
				name="kind"
				options={[
					{ value: "cutter", label: "cutter" },
					{ value: "maker", label: "maker" },
					{ value: "parts", label: "parts house" },
					{ value: "post", label: "by post" },
					{ value: "salvage", label: "salvage" },
				]}
			/>
			<PickOf
				label="How they are asked"
				name="way"
				options={[
					{ value: "http", label: "by call" },
					{ value: "file", label: "by file" },
				]}
			/>
			<TextOf
				label="Address"
				placeholder={
					filled.watch("way") === "http"
						? "http://127.0.0.1:8090/quay"
						: "north-quay"
				}
				name="address"
				maxLength={200}
			/>
			<div className="flex gap-2">
				<Button type="submit" disabled={put.isPending}>
					Keep who is asked
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</div>
		</Form>
	);
}
