import { useAddOffer } from "../../../api/offers";
import type { Offers as All, Offer, View } from "../../../api/types";
import { Form, useFilled } from "../../../form/Form";
import { MoneyOf, PickOf, TextOf, TickOf, WholeOf } from "../../../form/fields";
import { Button } from "../../../parts/Button";
import { cents } from "../../../parts/money";

/** What somebody asks for the pane. */
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
	const usual = (kind: Offer["kind"]) =>
		all.usuals.find((u) => u.kind === kind);
	const first = usual("cutter");
	const filled = useFilled(
		{
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
		},
		`offer ${view.pane.id}`,
	);
	const write = useAddOffer(view);
	return (
		<Form
			label="An offer"
			className="mt-3 flex flex-col gap-3 border-l-4 border-now pl-3"
			filled={filled}
			write={write}
			body={(f) => ({
				...f,
				id: 0,
				price: cents(f.price),
				carriage: cents(f.carriage),
				missing: cents(f.missing),
				days: Number(f.days),
				misfit: Number(f.misfit),
			})}
			onDone={onKept}
		>
			<PickOf
				label="Source"
				name="kind"
				options={all.usuals.map((u) => ({ value: u.kind, label: u.name }))}
				onPick={(kind) => {
					const u = usual(kind);
					if (!u) return;
					filled.setValue("days", String(u.days));
					filled.setValue("misfit", String(u.misfit));
					filled.setValue("back", u.back);
				}}
			/>
			<TextOf label="Who" name="who" maxLength={80} />
			<div className="grid grid-cols-2 gap-3">
				<MoneyOf label="Price" name="price" />
				<MoneyOf label="Carriage" name="carriage" />
				<TextOf
					label="Not in the box"
					placeholder="seal, clips"
					name="lacks"
					maxLength={120}
				/>
				<MoneyOf label="That costs" name="missing" />
				<WholeOf label="Days" name="days" />
				<WholeOf label="Of 100, how many do not fit" name="misfit" />
			</div>
			<TickOf name="back">It can go back</TickOf>
			<TickOf name="mark">It has the mark that is needed here</TickOf>
			<div className="flex gap-2">
				<Button
					type="submit"
					disabled={filled.watch("price").trim() === "" || write.isPending}
				>
					Note it
				</Button>
				<Button kind="quiet" onClick={onLeave}>
					leave it
				</Button>
			</div>
		</Form>
	);
}
