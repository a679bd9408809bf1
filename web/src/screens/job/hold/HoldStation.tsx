import { useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { useDropCure, useHold, useMoveCure } from "../../../api/hold";
import type { CureClock, CureView, View } from "../../../api/types";
import { later } from "../../../app/later";
import { span, when } from "../../../app/when";
import { Button } from "../../../parts/Button";
import { FigureLine } from "../../../parts/FigureLine";
import { Refusal } from "../../../parts/Refusal";
import { UnreadWithin } from "../../../parts/unread";
import { Experience } from "../Experience";
import { layForm } from "./layForm";

const LaidForm = later(() => import("./LaidForm"), "LaidForm");

/** The clocks of what hardens, what would change them, and the air. */
export function HoldStation({ view }: { view: View }) {
	const hold = useHold(view);
	const asked = useLocation().hash === layForm;
	const go = useNavigate();
	const [pressed, setPressed] = useState(false);
	const laying = pressed || asked;
	function setLaying(on: boolean) {
		setPressed(on);
		if (!on && asked)
			go({ search: location.search, hash: "" }, { replace: true });
	}
	if (!hold.data) return null;
	const open = !view.job.signed && !view.job.withdrawn;
	const { may } = hold.data;
	return (
		<section aria-label="What hardens" className="flex flex-col gap-4">
			{hold.data.cures.map((c) => (
				<Clocks key={c.id} view={view} cure={c} open={open} />
			))}
			<Experience view={view} kinds={["adhesive"]} />
			{open && may.length > 0 && !laying && (
				<Button className="self-start" onClick={() => setLaying(true)}>
					Start a cure clock
				</Button>
			)}
			{open && laying && (
				<UnreadWithin>
					<LaidForm
						view={view}
						hold={hold.data}
						onDone={() => setLaying(false)}
					/>
				</UnreadWithin>
			)}
		</section>
	);
}

function Clocks({
	view,
	cure,
	open,
}: {
	view: View;
	cure: CureView;
	open: boolean;
}) {
	const { curing } = cure;
	const move = useMoveCure(view, cure);
	const drop = useDropCure(view, cure);
	if (!curing)
		return (
			<p>
				Nobody has read the air where it stands: say what thermometer and
				hygrometer read, and its times are told.
			</p>
		);
	const ready = curing.clocks.find((c) => c.key === curing.opens);
	const running = !ready?.over;
	return (
		<div data-cure={cure.step} className="flex flex-col gap-2">
			<p className="text-2xl leading-8 font-semibold">
				{ready?.over
					? `${ready.title}: ${ready.may}`
					: ready?.safe
						? `${ready.title} ${when(ready.safe)}`
						: `${ready?.title}: not in such air`}
			</p>
			{running && (
				<p>
					{ready?.safe ? "not before" : curing.says}
					{ready?.earliest &&
						ready.safe &&
						ready.earliest !== ready.safe &&
						`; at the earliest ${when(ready.earliest)}`}
					{ready?.unsure && "; behind the last forecast, so by its coldest day"}
				</p>
			)}
			{(cure.short ?? 0) > 0 && (
				<p className="border-l-4 border-stop bg-stop-wash px-3 py-1">
					<strong className="text-stop">
						Promised {when(view.job.promised_at ?? "")}: {span(cure.short ?? 0)}{" "}
						too soon.
					</strong>{" "}
					Call the customer, or warm it.
				</p>
			)}
			{curing.clocks.map((c) => (
				<ClockLine key={c.key} clock={c} />
			))}
			{open &&
				cure.would.map((w) => (
					<Button
						key={w.says}
						className="self-start text-left"
						disabled={move.isPending}
						onClick={() => move.mutate({ place: w.place, heated: w.heated })}
					>
						{w.says}: {w.ready ? `ready ${when(w.ready)}` : "never in such air"}
					</Button>
				))}
			<p className="text-[0.9375rem] text-ink-2">
				{curing.adhesive.name}
				{cure.lot && `, batch ${cure.lot}`}, since {when(cure.since)}, {cure.by}
				{cure.stays.length > 0 &&
					`; ${places[cure.stays[cure.stays.length - 1]?.place ?? "bench"]}`}
				{(cure.stays[cure.stays.length - 1]?.heated ?? 0) > 0 &&
					`, kept at ${cure.stays[cure.stays.length - 1]?.heated} °C`}
			</p>
			{open && (
				<Button
					kind="quiet"
					className="self-start"
					disabled={drop.isPending}
					onClick={() => drop.mutate()}
				>
					take this clock out
				</Button>
			)}
			<Refusal error={move.error ?? drop.error} />
		</div>
	);
}

const places = {
	bench: "at the bench",
	van: "in the van",
	yard: "in the yard",
};

/** Up to here hours are told, min; beyond it the day says it. */
const longest = 48 * 60;

/** One clock; its figure opens the working. */
function ClockLine({ clock }: { clock: CureClock }) {
	return (
		<div data-clock={clock.key}>
			<p>
				<strong>{clock.title}</strong>{" "}
				<strong className="text-now">
					{clock.over
						? `✓ since ${when(clock.safe ?? "")}`
						: clock.safe
							? `${clock.left < longest ? `in ${span(clock.left)}, ` : ""}${when(clock.safe)}`
							: "not in such air"}
				</strong>
			</p>
			<FigureLine figure={clock.figure} />
		</div>
	);
}

/** What was laid, with the usual already in it. */
