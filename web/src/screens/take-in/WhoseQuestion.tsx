import { useDeferredValue } from "react";
import { useCustomers } from "../../api/jobs";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import type { QuestionProps } from "./form";

export function WhoseQuestion({ form, set, error }: QuestionProps) {
	const words = useDeferredValue(form.name.trim());
	const known = useCustomers(words, form.customer === null);
	if (form.customer) {
		return (
			<div className="flex flex-wrap items-center gap-5">
				<p className="text-xl">
					<strong>{form.customer.name}</strong>{" "}
					<span className="text-ink-2">{form.customer.phone}</span>
				</p>
				<Button kind="quiet" onClick={() => set({ customer: null })}>
					somebody else
				</Button>
			</div>
		);
	}
	return (
		<div className="grid max-w-[44em] gap-5 sm:grid-cols-2">
			<TextField
				label="Name"
				value={form.name}
				onChange={(name) => set({ name })}
				error={error("name") ?? error("customer_id")}
				autoFocus
				maxLength={120}
			/>
			<TextField
				label="Phone"
				inputMode="tel"
				value={form.phone}
				onChange={(phone) => set({ phone })}
				error={error("phone")}
				maxLength={40}
			/>
			{(known.data?.length ?? 0) > 0 && (
				<div className="sm:col-span-2">
					<p className="text-ink-2">Known here:</p>
					<div className="flex flex-wrap gap-2">
						{known.data?.map((c) => (
							<Button
								key={c.id}
								onClick={() => set({ customer: c, name: c.name })}
							>
								{c.name}
								{c.phone && (
									<span className="ml-2 font-normal text-ink-2">{c.phone}</span>
								)}
							</Button>
						))}
					</div>
				</div>
			)}
		</div>
	);
}
