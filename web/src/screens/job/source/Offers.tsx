import { useState } from "react";
import {
	useAskSuppliers,
	useDropOffer,
	useOffers,
	useTakeOffer,
	useTerms,
} from "../../../api/offers";
import type {
	Offers as All,
	Offer,
	RankedOffer,
	View,
} from "../../../api/types";
import { later } from "../../../app/later";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { FigureLine } from "../../../parts/FigureLine";
import { cents, money } from "../../../parts/money";
import { Refusal } from "../../../parts/Refusal";

const OfferForm = later(() => import("./OfferForm"), "OfferForm");

/** What others ask for the pane, by what each costs in the end. */
export function Offers({ view }: { view: View }) {
	const [asking, setAsking] = useState(false);
	const all = useOffers(view);
	const drop = useDropOffer(view);
	const take = useTakeOffer(view, all.data?.taken ?? 0);
	const ask = useAskSuppliers(view);
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
											onClick={() => take.mutate(o.id)}
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
					<TermsFields view={view} all={all.data} />
					<OfferForm
						view={view}
						all={all.data}
						onKept={() => setAsking(false)}
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
function TermsFields({ view, all }: { view: View; all: All }) {
	const [visit, setVisit] = useState(money(all.terms.visit));
	const [day, setDay] = useState(money(all.terms.day));
	const write = useTerms(view);
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
					onClick={() =>
						write.mutate({
							visit: cents(visit),
							day: cents(day),
							mark: all.terms.mark,
							seen: all.terms,
						})
					}
				>
					Reckon with that
				</Button>
			)}
		</div>
	);
}
