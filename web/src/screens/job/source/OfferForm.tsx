import { useState } from "react";
import { useAddOffer } from "../../../api/offers";
import type { Offers as All, Offer, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { cents } from "../../../parts/money";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { Tick } from "../../../parts/Tick";

export function OfferForm({
	view,
	all,
	onKept,
	onLeave,
}: {
	view: View;
	all: All;
	onKept: () => void;
	onLeave: () => void;
}) {
	const first = all.usuals.find((u) => u.kind === "cutter");
	const [f, setF] = useState({
		kind: "cutter" as Offer["kind"],
		who: "",
		price: "",
		carriage: "",
		lacks: "",
		missing: "",
		days: String(first?.days ?? 3),
		misfit: String(first?.misfit ?? 3),
		back: first?.back ?? false,
		mark: false,
	});
	const set = (c: Partial<typeof f>) => setF({ ...f, ...c });
	const write = useAddOffer(view);
	const offer = () => ({
		id: 0,
		kind: f.kind,
		who: f.who,
		price: cents(f.price),
		carriage: cents(f.carriage),
		lacks: f.lacks,
		missing: cents(f.missing),
		days: Number(f.days),
		misfit: Number(f.misfit),
		back: f.back,
		mark: f.mark,
	});
	const wrong = (name: "price" | "carriage" | "missing") =>
		Number.isNaN(cents(f[name]))
			? { field: name, why: "a price such as 12.50 is expected" }
			: write.error?.field(name);
	const whole = (name: "days" | "misfit") =>
		/^\d{1,3}$/.test(f[name].trim())
			? write.error?.field(name)
			: { field: name, why: "a whole number is expected" };
	const bad =
		[wrong("price"), wrong("carriage"), wrong("missing")].some((e) =>
			e?.why.includes("such as"),
		) ||
		[whole("days"), whole("misfit")].some((e) => e?.why.startsWith("a whole"));
	return (
		<form
			aria-label="An offer"
			className="mt-3 flex flex-col gap-3 border-l-4 border-now pl-3"
			onSubmit={(e) => {
				e.preventDefault();
				if (!bad) write.mutate(offer(), { onSuccess: onKept });
			}}
		>
			<Pick
				label="Source"
				value={f.kind}
				options={all.usuals.map((u) => ({ value: u.kind, label: u.name }))}
				onChange={(kind) => {
					const u = all.usuals.find((x) => x.kind === kind);
					set({
						kind,
						days: String(u?.days ?? f.days),
						misfit: String(u?.misfit ?? f.misfit),
						back: u?.back ?? f.back,
					});
				}}
			/>
			<TextField
				label="Who"
				value={f.who}
				onChange={(who) => set({ who })}
				error={write.error?.field("who")}
				maxLength={80}
			/>
			<div className="grid grid-cols-2 gap-3">
				<TextField
					label="Price"
					inputMode="decimal"
					value={f.price}
					onChange={(price) => set({ price })}
					error={wrong("price")}
				/>
				<TextField
					label="Carriage"
					inputMode="decimal"
					value={f.carriage}
					onChange={(carriage) => set({ carriage })}
					error={wrong("carriage")}
				/>
				<TextField
					label="Not in the box"
					placeholder="seal, clips"
					value={f.lacks}
					onChange={(lacks) => set({ lacks })}
					error={write.error?.field("lacks")}
					maxLength={120}
				/>
				<TextField
					label="That costs"
					inputMode="decimal"
					value={f.missing}
					onChange={(missing) => set({ missing })}
					error={wrong("missing")}
				/>
				<TextField
					label="Days"
					inputMode="numeric"
					value={f.days}
					onChange={(days) => set({ days })}
					error={whole("days")}
				/>
				<TextField
					label="Of 100, how many do not fit"
					inputMode="numeric"
					value={f.misfit}
					onChange={(misfit) => set({ misfit })}
					error={whole("misfit")}
				/>
			</div>
			<Tick checked={f.back} onChange={(back) => set({ back })}>
				It can go back
			</Tick>
			<Tick checked={f.mark} onChange={(mark) => set({ mark })}>
				It has the mark that is needed here
			</Tick>
			<Refusal
				error={
					write.error?.problem.errors?.length ? null : (write.error ?? null)
				}
			/>
			<div className="flex gap-2">
				<Button
					type="submit"
					disabled={bad || f.price.trim() === "" || write.isPending}
				>
					Note it
				</Button>
				<Button kind="quiet" onClick={onLeave}>
					leave it
				</Button>
			</div>
		</form>
	);
}
