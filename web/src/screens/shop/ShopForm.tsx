import { useState } from "react";
import { useChangeShop } from "../../api/shop";
import { useWho } from "../../app/who";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";

export function ShopForm() {
	const { shop } = useWho();
	const [form, setForm] = useState(shop);
	const write = useChangeShop();
	return (
		<form
			className="flex flex-col gap-5"
			onSubmit={(e) => {
				e.preventDefault();
				write.mutate(form, { onSuccess: setForm });
			}}
		>
			<h2 className="text-2xl font-semibold">The workshop</h2>
			<TextField
				label="Name"
				value={form.name}
				onChange={(name) => setForm({ ...form, name })}
				error={write.error?.field("shop_name")}
			/>
			<TextField
				label="Town"
				value={form.town}
				onChange={(town) => setForm({ ...form, town })}
				error={write.error?.field("town")}
			/>
			<TextField
				label="Address from outside"
				placeholder="https://shop.example"
				hint="Codes on labels and papers, and calendars, lead there. Without it papers have no code."
				value={form.address ?? ""}
				onChange={(address) => setForm({ ...form, address })}
				maxLength={200}
				error={write.error?.field("address")}
			/>
			<div>
				<p className="mb-1 font-semibold">Lengths are typed in</p>
				<Pick
					label="Unit of a bare number"
					value={form.unit}
					onChange={(unit) => setForm({ ...form, unit })}
					options={[
						{ value: "mm", label: "millimetres" },
						{ value: "in", label: "inches" },
					]}
				/>
			</div>
			<Refusal error={write.error} />
			{write.error?.conflict && (
				<Button onClick={() => setForm({ ...form, version: shop.version })}>
					Go on from what stands now
				</Button>
			)}
			<div className="flex items-center gap-4">
				<Button type="submit" disabled={write.isPending}>
					Keep it
				</Button>
				{write.isSuccess && <span role="status">Kept.</span>}
			</div>
		</form>
	);
}
