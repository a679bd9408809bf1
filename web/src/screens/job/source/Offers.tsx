import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, got, newKey, type Refused } from "../../../api/client";
import { on, useJobWrite } from "../../../api/hooks";
import type {
	Offers as All,
	Asked,
	Offer,
	RankedOffer,
	View,
} from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { FigureLine } from "../../../parts/FigureLine";
import { cents, money } from "../../../parts/money";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { Tick } from "../../../parts/Tick";

/** What others ask for the pane, by what each costs in the end. */
export function Offers({ view }: { view: View }) {
	const [asking, setAsking] = useState(false);
	const client = useQueryClient();
	const key = ["offers", view.job.id, view.pane.id];
	const all = useQuery<All, Refused>({
		queryKey: key,
		queryFn: () => got(api.GET("/api/jobs/{id}/offers", { params: on(view) })),
	});
	const keep = (next: All) => client.setQueryData(key, next);
	const drop = useMutation<All, Refused, number>({
		mutationFn: (offer) =>
			got(
				api.DELETE("/api/jobs/{id}/offers/{offer}", {
					params: on(view, { offer }),
				}),
			),
		onSuccess: keep,
	});
	const take = useJobWrite<number>(view, (offer) =>
		got(
			api.PUT("/api/jobs/{id}/offers/{offer}/taken", {
				params: {
					...on(view, { offer }),
					query: { pane: view.pane.id, seen: all.data?.taken ?? 0 },
				},
			}),
		),
	);
	const askKey = useRef(newKey());
	const ask = useMutation<Asked, Refused>({
		mutationFn: () =>
			got(
				api.POST("/api/jobs/{id}/offers/asked", {
					params: {
						...on(view),
						header: { "Idempotency-Key": askKey.current },
					},
					body: {},
				}),
			),
		onSuccess: (a) => {
			askKey.current = newKey();
			keep(a);
		},
	});
	if (!all.data) return null;
	const { offers, says, changes, taken } = all.data;
	const most = Math.max(1, ...offers.map((o) => o.high));
	const open = !view.job.signed;
	return (
		<section aria-label="Offers">
			<h2 className="font-semibold">Offers</h2>
			<p>{says}</p>
			<ol className="mt-2 border-t border-rule">
				{offers.map((o) => (
					<li
						key={o.id}
						data-offer={o.id}
						className="border-b border-rule py-2"
					>
						<p>
							<strong>{o.who || nameOf(all.data, o)}</strong>
						</p>
						<Range offer={o} most={most} />
						<p className="text-[0.9375rem] text-ink-2">
							{money(o.price)}
							{o.carriage ? ` + ${money(o.carriage)} carriage` : ""}
							{o.missing
								? ` + ${money(o.missing)} for ${o.lacks || "what is not in the box"}`
								: ""}
							, {o.days} {o.days === 1 ? "day" : "days"}, {o.misfit} in 100 do
							not fit, {o.back ? "goes back" : "does not go back"}
						</p>
						{o.out && (
							<p className="border-l-4 border-stop pl-2 text-stop">
								<strong>Not this one:</strong> {o.out}.
							</p>
						)}
						<FigureLine figure={o.figure} />
						{open && (
							<p className="flex flex-wrap gap-x-4">
								{taken === o.id ? (
									<strong className="min-h-11 content-center text-now">
										ordered
									</strong>
								) : (
									!o.out && (
										<Button
											disabled={take.isPending}
											onClick={() =>
												take.mutate(o.id, {
													onSuccess: () =>
														void client.invalidateQueries({ queryKey: key }),
												})
											}
										>
											Order it
										</Button>
									)
								)}
								<Button
									kind="quiet"
									disabled={drop.isPending}
									onClick={() => drop.mutate(o.id)}
								>
									remove
								</Button>
							</p>
						)}
					</li>
				))}
			</ol>
			{changes.length > 0 && (
				<p className="mt-1 text-[0.9375rem] text-ink-2">
					The second would be first if {changes.join(", or if ")}.
				</p>
			)}
			<Refusal error={drop.error ?? take.error} />
			{ask.data && (
				<ul data-asked className="mt-1 text-[0.9375rem]">
					{ask.data.said.map((a) => (
						<li key={a.name}>
							{a.name}: {a.says}
						</li>
					))}
					{ask.data.said.length === 0 && <li>All of them have answered.</li>}
				</ul>
			)}
			<Refusal error={ask.error} />
			{open && !asking && (
				<div className="mt-2 flex flex-wrap gap-2">
					<Button disabled={ask.isPending} onClick={() => ask.mutate()}>
						{ask.isPending ? "Asking …" : "Ask all who answer"}
					</Button>
					<Button onClick={() => setAsking(true)}>
						Add a supplier’s price …
					</Button>
				</div>
			)}
			{open && asking && (
				<>
					<TermsFields view={view} all={all.data} onKept={keep} />
					<OfferForm
						view={view}
						all={all.data}
						onKept={(next) => {
							keep(next);
							setAsking(false);
						}}
						onLeave={() => setAsking(false)}
					/>
				</>
			)}
		</section>
	);
}

function nameOf(all: All, o: Offer): string {
	return all.usuals.find((u) => u.kind === o.kind)?.name ?? o.kind;
}

/** From where it fits to where it does not, with what is to be expected. */
function Range({ offer, most }: { offer: RankedOffer; most: number }) {
	const x = (v: number) => (v / most) * 100;
	return (
		<svg
			viewBox="0 0 100 8"
			preserveAspectRatio="none"
			role="img"
			aria-label={`from ${money(offer.low)} to ${money(offer.high)}, ${money(offer.expected)} expected`}
			className="my-1 h-4 w-full"
		>
			<path
				d={`M${x(offer.low)} 4H${x(offer.high)}`}
				stroke={offer.out ? "var(--rule)" : "var(--metal)"}
				strokeWidth={5}
			/>
			<path
				d={`M${x(offer.expected)} 0V8`}
				stroke={offer.out ? "var(--stop)" : "var(--ink)"}
				strokeWidth={1}
			/>
		</svg>
	);
}

/** What a second visit and a day of waiting cost this job. */
function TermsFields({
	view,
	all,
	onKept,
}: {
	view: View;
	all: All;
	onKept: (next: All) => void;
}) {
	const [visit, setVisit] = useState(money(all.terms.visit));
	const [day, setDay] = useState(money(all.terms.day));
	const write = useMutation<All, Refused>({
		mutationFn: () =>
			got(
				api.PUT("/api/jobs/{id}/terms", {
					params: on(view),
					body: {
						visit: cents(visit),
						day: cents(day),
						mark: all.terms.mark,
						seen: all.terms,
					},
				}),
			),
		onSuccess: onKept,
	});
	const bad = Number.isNaN(cents(visit)) || Number.isNaN(cents(day));
	const changed =
		visit !== money(all.terms.visit) || day !== money(all.terms.day);
	const price = { field: "visit", why: "a price such as 12.50 is expected" };
	return (
		<div className="mt-3 grid grid-cols-2 gap-3">
			<TextField
				label="A second visit costs"
				inputMode="decimal"
				value={visit}
				onChange={setVisit}
				error={Number.isNaN(cents(visit)) ? price : write.error?.field("visit")}
			/>
			<TextField
				label="A day of waiting costs"
				inputMode="decimal"
				value={day}
				onChange={setDay}
				error={Number.isNaN(cents(day)) ? price : write.error?.field("day")}
			/>
			{changed && (
				<Button
					disabled={bad || write.isPending}
					onClick={() => write.mutate()}
				>
					Reckon with that
				</Button>
			)}
		</div>
	);
}

function OfferForm({
	view,
	all,
	onKept,
	onLeave,
}: {
	view: View;
	all: All;
	onKept: (next: All) => void;
	onLeave: () => void;
}) {
	const first = all.usuals.find((u) => u.kind === "cutter");
	const key = useRef(newKey());
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
	const set = (c: Partial<typeof f>) => {
		key.current = newKey();
		setF({ ...f, ...c });
	};
	const write = useMutation<All, Refused>({
		mutationFn: () =>
			got(
				api.POST("/api/jobs/{id}/offers", {
					params: { ...on(view), header: { "Idempotency-Key": key.current } },
					body: {
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
					},
				}),
			),
		onSuccess: onKept,
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
				if (!bad) write.mutate();
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
