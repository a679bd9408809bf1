import { useEffect, useRef, useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { api, got, newKey } from "../../../api/client";
import { on } from "../../../api/hooks";
import type { CureClock, CureView, Hold, View } from "../../../api/types";
import { useMoments } from "../../../app/moment";
import { span, when } from "../../../app/when";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { FigureLine } from "../../../parts/FigureLine";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { WhenField } from "../../../parts/WhenField";
import { Experience } from "../Experience";
import { layForm, useHold, useHoldWrite } from "./useHold";

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
				<LaidForm
					view={view}
					hold={hold.data}
					onDone={() => setLaying(false)}
				/>
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
	const params = (more: object) => ({
		...on(view, { cure: cure.id }),
		query: { pane: view.pane.id, version: cure.version, ...more },
	});
	const move = useHoldWrite<{
		place: "bench" | "van" | "yard";
		heated: number;
	}>(view, (body) =>
		got(
			api.PUT("/api/jobs/{id}/cures/{cure}/place", {
				params: params({}),
				body,
			}),
		),
	);
	const drop = useHoldWrite<void>(view, () =>
		got(api.DELETE("/api/jobs/{id}/cures/{cure}", { params: params({}) })),
	);
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
function LaidForm({
	view,
	hold,
	onDone,
}: {
	view: View;
	hold: Hold;
	onDone: () => void;
}) {
	const key = useRef(newKey());
	const form = useRef<HTMLFormElement>(null);
	useEffect(() => {
		form.current?.scrollIntoView({ block: "start" });
	}, []);
	const moments = useMoments();
	const asked = view.asks.find((a) => a.kind === "laid")?.answers?.[0]?.id;
	const used =
		hold.adhesives.find((a) => a.id === asked) ??
		hold.adhesives.find((a) => view.pane.uses.includes(a.touch));
	const [f, setF] = useState({
		step: hold.may[0]?.step ?? "",
		adhesive: used?.id ?? hold.adhesives[0]?.id ?? "",
		width: "12",
		edges: "2" as "1" | "2",
		depth: "",
		place: "bench" as "bench" | "van" | "yard",
		since: "",
		surface: "",
		item: "0",
	});
	const set = (c: Partial<typeof f>) => {
		key.current = newKey();
		setF({ ...f, ...c });
	};
	const adhesive = hold.adhesives.find((a) => a.id === f.adhesive);
	const wet = adhesive?.kind === "moisture";
	const num = (t: string) => Number(t.trim().replace(",", "."));
	const write = useHoldWrite<void>(view, async () =>
		got(
			api.POST("/api/jobs/{id}/cures", {
				params: { ...on(view), header: { "Idempotency-Key": key.current } },
				body: {
					step: f.step,
					adhesive: f.adhesive,
					width: wet ? num(f.width) : 0,
					edges: wet ? Number(f.edges) : 0,
					depth24: f.depth.trim() ? num(f.depth) : 0,
					place: f.place,
					heated: 0,
					item: Number(f.item),
					surface: f.surface.trim() ? num(f.surface) : undefined,
					since: f.since.trim()
						? await moments.of("since", f.since)
						: undefined,
				},
			}),
		),
	);
	const bad = [f.width, f.depth, f.surface].some(
		(t) => t.trim() !== "" && Number.isNaN(num(t)),
	);
	const at = (name: string) => write.error?.field(name);
	return (
		<form
			ref={form}
			aria-label="What was laid"
			className="flex flex-col gap-3 border-l-4 border-now pl-3"
			onSubmit={(e) => {
				e.preventDefault();
				if (!bad) write.mutate(undefined, { onSuccess: onDone });
			}}
		>
			{hold.may.length > 1 && (
				<label className="flex flex-col gap-1 font-semibold">
					What waits for it
					<select
						className="min-h-12 border-b-2 border-ink bg-lit px-3 font-normal"
						value={f.step}
						onChange={(e) => set({ step: e.target.value })}
					>
						{hold.may.map((m) => (
							<option key={m.step} value={m.step}>
								{m.title}
							</option>
						))}
					</select>
				</label>
			)}
			<label className="flex flex-col gap-1 font-semibold">
				What
				<select
					className="min-h-12 border-b-2 border-ink bg-lit px-3 font-normal"
					value={f.adhesive}
					onChange={(e) => set({ adhesive: e.target.value })}
				>
					{hold.adhesives.map((a) => (
						<option key={a.id} value={a.id}>
							{a.name}
						</option>
					))}
				</select>
			</label>
			<label className="flex flex-col gap-1 font-semibold">
				Out of
				<select
					className="min-h-12 border-b-2 border-ink bg-lit px-3 font-normal"
					value={f.item}
					onChange={(e) => set({ item: e.target.value })}
				>
					<option value="0">no tube of the stores</option>
					{hold.tubes.map((t) => (
						<option key={t.id} value={String(t.id)}>
							{t.name}
							{t.lot && `, batch ${t.lot}`}
							{t.opened && `, opened ${when(t.opened)}`}
							{t.spent && `: ${t.spent}`}
						</option>
					))}
				</select>
				{at("item") && (
					<span role="alert" className="font-normal text-stop">
						<strong>Not yet:</strong> {at("item")?.why}; {at("item")?.cure}.
					</span>
				)}
			</label>
			{wet && (
				<>
					<TextField
						label="Pressed width, mm"
						inputMode="decimal"
						value={f.width}
						onChange={(width) => set({ width })}
						error={at("width")}
					/>
					<Pick
						label="How many of its edges are open to the air"
						value={f.edges}
						onChange={(edges) => set({ edges })}
						options={[
							{ value: "2", label: "both edges open" },
							{ value: "1", label: "one edge open" },
						]}
					/>
					<TextField
						label="By its sheet, mm in 24 h"
						placeholder={`${adhesive?.depth[0]} to ${adhesive?.depth[1]} by the book`}
						inputMode="decimal"
						value={f.depth}
						onChange={(depth) => set({ depth })}
						error={at("depth24")}
					/>
				</>
			)}
			<Pick
				label="Where it stands"
				value={f.place}
				onChange={(place) => set({ place })}
				options={[
					{ value: "bench", label: "bench" },
					{ value: "van", label: "van" },
					{ value: "yard", label: "yard" },
				]}
			/>
			<TextField
				label="Glass and flange, °C"
				placeholder="as the air"
				inputMode="decimal"
				value={f.surface}
				onChange={(surface) => set({ surface })}
				error={at("surface") ?? at("air")}
			/>
			<WhenField
				label="In place since"
				value={f.since}
				onChange={(since) => set({ since })}
				error={at("since")}
			/>
			<Refusal
				error={
					write.error?.problem.errors?.length ? null : (write.error ?? null)
				}
			/>
			<div className="flex gap-2">
				<Button type="submit" disabled={bad || write.isPending}>
					Start its clock
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</div>
		</form>
	);
}
