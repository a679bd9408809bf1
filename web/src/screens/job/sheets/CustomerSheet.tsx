import { useEffect, useState } from "react";
import { useCustomer } from "../../../api/jobs";
import type { Customer, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { Refusal } from "../../../parts/Refusal";
import { Sheet } from "../../../parts/Sheet";

/** Who the object belongs to: name, phone, a note. */
export function CustomerSheet({
	view,
	open,
	onClose,
}: {
	view: View;
	open: boolean;
	onClose: () => void;
}) {
	const [form, setForm] = useState<Customer>(view.job.customer);
	// biome-ignore lint/correctness/useExhaustiveDependencies: only on opening
	useEffect(() => {
		if (open) setForm(view.job.customer);
	}, [open]);
	const write = useCustomer(view);
	const at = (f: string) => write.error?.field(f);
	return (
		<Sheet title="Whose it is" open={open} onClose={onClose}>
			<form
				className="flex flex-col gap-5"
				onSubmit={(e) => {
					e.preventDefault();
					write.mutate(form, { onSuccess: onClose });
				}}
			>
				<TextField
					label="Name"
					value={form.name}
					onChange={(name) => setForm({ ...form, name })}
					error={at("name")}
					maxLength={120}
				/>
				<TextField
					label="Phone"
					inputMode="tel"
					value={form.phone}
					onChange={(phone) => setForm({ ...form, phone })}
					error={at("phone")}
					maxLength={40}
				/>
				<TextField
					label="Note"
					value={form.note}
					onChange={(note) => setForm({ ...form, note })}
					error={at("note")}
					maxLength={500}
				/>
				<Refusal error={write.error} />
				{!view.job.signed && (
					<Button kind="now" type="submit" disabled={write.isPending}>
						Save
					</Button>
				)}
				{write.error?.conflict && (
					<Button
						onClick={() => {
							setForm({ ...form, version: view.job.customer.version });
							write.reset();
						}}
					>
						Go on from what stands now
					</Button>
				)}
			</form>
		</Sheet>
	);
}
