import { useState } from "react";
import { useDropSupplier, usePutSupplier, useSuppliers } from "../../api/shop";
import type { Supplier } from "../../api/types";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
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
	const [form, setForm] = useState<Supplier | null>(null);
	const all = useSuppliers();
	const put = usePutSupplier();
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
			{form ? (
				<form
					className="mt-3 flex flex-col gap-3 border-l-4 border-now pl-3"
					onSubmit={(e) => {
						e.preventDefault();
						put.mutate(form, { onSuccess: () => setForm(null) });
					}}
				>
					<TextField
						label="Called"
						value={form.name}
						onChange={(name) => setForm({ ...form, name })}
						error={put.error?.field("name")}
						maxLength={80}
					/>
					<Pick
						label="What they are"
						value={form.kind}
						onChange={(kind) => setForm({ ...form, kind })}
						options={[
							{ value: "cutter", label: "cutter" },
							{ value: "maker", label: "maker" },
							{ value: "parts", label: "parts house" },
							{ value: "post", label: "by post" },
							{ value: "salvage", label: "salvage" },
						]}
					/>
					<Pick
						label="How they are asked"
						value={form.way}
						onChange={(way) => setForm({ ...form, way })}
						options={[
							{ value: "http", label: "by call" },
							{ value: "file", label: "by file" },
						]}
					/>
					<TextField
						label="Address"
						placeholder={
							form.way === "http" ? "http://127.0.0.1:8090/quay" : "north-quay"
						}
						value={form.address}
						onChange={(address) => setForm({ ...form, address })}
						error={put.error?.field("address")}
						maxLength={200}
					/>
					<Refusal
						error={
							put.error?.problem.errors?.length ? null : (put.error ?? null)
						}
					/>
					<div className="flex gap-2">
						<Button type="submit" disabled={put.isPending}>
							Keep who is asked
						</Button>
						<Button kind="quiet" onClick={() => setForm(null)}>
							leave it
						</Button>
					</div>
				</form>
			) : (
				<Button className="mt-2" onClick={() => setForm(none)}>
					One more …
				</Button>
			)}
		</section>
	);
}
