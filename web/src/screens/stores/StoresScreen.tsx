import { useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { useMove, useMoves, useStores } from "../../api/stores";
import type { Stored } from "../../api/types";
import { Page } from "../../app/Page";
import { when } from "../../app/when";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { money } from "../../parts/money";
import { Refusal } from "../../parts/Refusal";
import { Sheet } from "../../parts/Sheet";
import { StockForm } from "./StockForm";
import { StoresFile } from "./StoresFile";

const names: Record<Stored["kind"], string> = {
	sheet: "Sheets",
	offcut: "Offcuts",
	tube: "Tubes",
	seal: "Seals",
	adhesive: "Adhesives",
	fastener: "Fasteners",
	consumable: "Consumables",
};

/** What is in the rack and on the shelves, what is low first. */
export function StoresScreen() {
	const stores = useStores();
	const [adding, setAdding] = useState(false);
	const [words, setWords] = useState("");
	const items = (stores.data?.items ?? []).filter((i) =>
		`${i.called} ${i.place} ${i.lot}`
			.toLowerCase()
			.includes(words.trim().toLowerCase()),
	);
	const low = items.filter((i) => i.low);
	return (
		<Page
			title="Stores"
			aside={
				low.length > 0
					? `${low.length} to buy`
					: "everything is there that should be"
			}
		>
			{stores.isError && <p role="alert">{stores.error.message}</p>}
			<div className="mb-5 flex flex-wrap items-end gap-4">
				<div className="w-72">
					<TextField
						label="Find"
						value={words}
						onChange={setWords}
						maxLength={60}
					/>
				</div>
				<Button onClick={() => setAdding(true)}>Take something in</Button>
				<StoresFile />
			</div>
			<Sheet
				title="Take something in"
				open={adding}
				onClose={() => setAdding(false)}
			>
				<StockForm onDone={() => setAdding(false)} />
			</Sheet>
			{stores.data && items.length === 0 && (
				<p className="max-w-[36em] text-lg text-ink-2">
					Nothing like that is here. Take in what the rack holds: say two sheets
					of 4 mm glass, 2250 × 1605, rack 2. The cut room plans from them, and
					offcuts come back by themselves.
				</p>
			)}
			<List title="To buy" items={low} />
			{(Object.keys(names) as Stored["kind"][]).map((k) => (
				<List
					key={k}
					title={names[k]}
					items={items.filter((i) => i.kind === k && !i.low)}
				/>
			))}
		</Page>
	);
}

function List({ title, items }: { title: string; items: Stored[] }) {
	if (items.length === 0) return null;
	return (
		<section className="mb-7 max-w-[64em]" aria-label={title}>
			<h2 className="mb-1 font-semibold">{title}</h2>
			<ul className="border-t border-rule">
				{items.map((i) => (
					<Line key={i.id} item={i} />
				))}
			</ul>
		</section>
	);
}

function Line({ item }: { item: Stored }) {
	// A label's code opens its own line.
	const [query] = useSearchParams();
	const asked = query.get("item") === String(item.id);
	const [open, setOpen] = useState(asked);
	const line = useRef<HTMLLIElement>(null);
	useEffect(() => {
		if (asked) line.current?.scrollIntoView({ block: "center" });
	}, [asked]);
	return (
		<li ref={line} className="border-b border-rule" data-stock={item.id}>
			<button
				type="button"
				aria-expanded={open}
				onClick={() => setOpen(!open)}
				className="grid min-h-14 w-full grid-cols-[1fr_auto] items-center gap-x-5 py-1.5 text-left hover:bg-now-wash sm:grid-cols-[1fr_11rem_7rem]"
			>
				<span className="min-w-0">
					<strong className="font-semibold">{item.called}</strong>
					<span className="block text-[0.9375rem] text-ink-2">
						{[
							item.place,
							item.lot && `lot ${item.lot}`,
							item.expires && `till ${item.expires}`,
						]
							.filter(Boolean)
							.join(" · ")}
						{item.past && (
							<strong className="ml-2 text-stop">past its day</strong>
						)}
						{item.opened_since && <OpenOne item={item} />}
					</span>
				</span>
				<span className="text-ink-2 max-sm:hidden">
					{item.cents ? `${money(item.cents)} each` : ""}
				</span>
				<span
					className={`font-figure text-right text-xl font-semibold ${item.low ? "text-stop" : ""}`}
				>
					{item.quantity} {item.unit}
					{item.low && (
						<span className="block text-sm font-normal">
							low, {item.least} wanted
						</span>
					)}
				</span>
			</button>
			{open && <Moves item={item} />}
		</li>
	);
}

/** One of them is open: until when it is used. */
function OpenOne({ item }: { item: Stored }) {
	return (
		<span className="block" data-open-tube={item.spent ? "spent" : "good"}>
			{item.spent ? (
				<strong className="text-stop">
					the open one is spent, opened {when(item.opened_since ?? "")}: throw
					it away
				</strong>
			) : (
				`one is open since ${when(item.opened_since ?? "")}, used until ${when(item.open_until ?? "")}`
			)}
		</span>
	);
}

/** What came and went, and one more of either. */
function Moves({ item }: { item: Stored }) {
	const [much, setMuch] = useState("1");
	const [why, setWhy] = useState("");
	const moves = useMoves(item.id);
	const move = useMove(item.id);
	const book = (delta: number) =>
		move.mutate({ delta, why }, { onSuccess: () => setWhy("") });
	const n = Number(much.replace(",", "."));
	const bad = much.trim() === "" || Number.isNaN(n) || n <= 0;
	return (
		<div className="grid gap-x-8 gap-y-3 pb-4 sm:grid-cols-2">
			<div className="flex flex-col gap-2">
				<div className="grid grid-cols-2 gap-3">
					<TextField
						label={`How much, ${item.unit}`}
						inputMode="decimal"
						value={much}
						onChange={setMuch}
						error={
							bad
								? { field: "delta", why: "a number above 0 is expected" }
								: move.error?.field("delta")
						}
					/>
					<TextField
						label="What for"
						value={why}
						onChange={setWhy}
						maxLength={200}
						error={move.error?.field("why")}
					/>
				</div>
				<div className="flex gap-2">
					<Button disabled={bad || move.isPending} onClick={() => book(-n)}>
						Taken
					</Button>
					<Button disabled={bad || move.isPending} onClick={() => book(n)}>
						Came in
					</Button>
				</div>
				<a
					className="min-h-11 content-center self-start underline underline-offset-4"
					href={`/api/stores/${item.id}/label.pdf`}
				>
					a label for it
				</a>
				<Refusal
					error={move.error?.field("delta") ? null : (move.error ?? null)}
				/>
			</div>
			<ol className="text-[0.9375rem] text-ink-2">
				{moves.data?.slice(0, 8).map((m) => (
					<li key={m.id}>
						<strong className="font-figure text-ink">
							{m.delta > 0 ? "+" : "−"}
							{Math.abs(m.delta)}
						</strong>{" "}
						{m.why || "no word"} · {m.by}, {when(m.at)}
					</li>
				))}
			</ol>
		</div>
	);
}
