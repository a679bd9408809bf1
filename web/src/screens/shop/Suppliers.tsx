import { useState } from "react";
import { useDropSupplier, usePutSupplier, useSuppliers } from "../../api/shop";
import type { Supplier } from "../../api/types";
import { Form, useFilled } from "../../form/Form";
import { PickOf, TextOf, WholeOf } from "../../form/fields";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";

const none: Supplier = {
	id: 0,
	name: "",
	kind: "cutter",
	way: "person",
	address: "",
	phone: "",
	mail: "",
	number: "",
	sells: "",
	terms: "",
	days: 3,
};

const kinds: Record<Supplier["kind"], string> = {
	cutter: "cutter",
	maker: "maker",
	parts: "parts house",
	post: "by post",
	salvage: "salvage",
};

/** Who sells to the shop: how they are reached, what they have, on what terms. */
export function Suppliers() {
	const [open, setOpen] = useState<Supplier | null>(null);
	const all = useSuppliers();
	const drop = useDropSupplier();
	return (
		<section aria-label="Suppliers">
			<h2 className="text-2xl font-semibold">Suppliers</h2>
			<p className="text-ink-2">
				Chosen with one tap where something is ordered. Some answer by
				themselves, by a call on this machine or by files in a folder.
			</p>
			<ul className="mt-2 border-t border-rule">
				{(all.data ?? []).map((v) => (
					<li
						key={v.id}
						className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-b border-rule py-1 max-sm:grid-cols-1"
						data-supplier={v.name}
					>
						<span className="min-w-0 break-words">
							<strong>{v.name}</strong>{" "}
							<span className="text-ink-2">
								{[kinds[v.kind], v.phone, v.mail, asked(v)]
									.filter((s) => s)
									.join(" · ")}
							</span>
							{v.sells && <span className="block text-ink-2">{v.sells}</span>}
						</span>
						<span className="flex gap-2">
							<Button kind="quiet" onClick={() => setOpen(v)}>
								change
							</Button>
							<Button kind="quiet" onClick={() => drop.mutate(v.id)}>
								take out
							</Button>
						</span>
					</li>
				))}
			</ul>
			<Refusal error={drop.error} />
			{open ? (
				<SupplierForm
					key={open.id}
					supplier={open}
					onDone={() => setOpen(null)}
				/>
			) : (
				<Button className="mt-2" onClick={() => setOpen(none)}>
					One more …
				</Button>
			)}
		</section>
	);
}

/** How they answer by themselves; nothing of those who do not. */
function asked(v: Supplier): string {
	if (v.way === "person") return "";
	return `${v.way === "http" ? "by call" : "by file"}, ${v.address}`;
}

function SupplierForm({
	supplier,
	onDone,
}: {
	supplier: Supplier;
	onDone: () => void;
}) {
	const filled = useFilled(
		{ ...none, ...supplier, days: String(supplier.days) },
		supplier.id === 0 ? "supplier" : undefined,
	);
	const put = usePutSupplier();
	const way = filled.watch("way");
	return (
		<Form
			label="A supplier"
			className="mt-3 flex flex-col gap-3 border-l-4 border-now pl-3"
			filled={filled}
			write={put}
			body={(f) => ({ ...f, days: Number(f.days) })}
			onDone={onDone}
		>
			<TextOf label="Called" name="name" maxLength={80} />
			<PickOf
				label="What they are"
				name="kind"
				options={Object.entries(kinds).map(([value, label]) => ({
					value: value as Supplier["kind"],
					label,
				}))}
			/>
			<div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
				<TextOf label="Phone" name="phone" inputMode="tel" maxLength={40} />
				<TextOf label="Mail" name="mail" maxLength={120} />
				<TextOf label="Our number with them" name="number" maxLength={40} />
				<WholeOf label="They bring within, days" name="days" />
			</div>
			<TextOf label="What they sell" name="sells" maxLength={200} />
			<TextOf label="Terms" name="terms" maxLength={200} />
			<PickOf
				label="How they are asked"
				name="way"
				options={[
					{ value: "person", label: "by phone or mail" },
					{ value: "http", label: "by call" },
					{ value: "file", label: "by file" },
				]}
			/>
			{way !== "person" && (
				<TextOf
					label="Address"
					placeholder={
						way === "http" ? "http://127.0.0.1:8090/quay" : "north-quay"
					}
					name="address"
					maxLength={200}
				/>
			)}
			<div className="flex gap-2">
				<Button type="submit" disabled={put.isPending}>
					Keep the supplier
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</div>
		</Form>
	);
}
