import { useState } from "react";
import type { StripEntry, View } from "../../../api/types";
import { ObjectMap } from "../../../bench/ObjectMap";
import { type Link, type Piece, Pieces } from "../../../bench/Pieces";
import { useSize } from "../../../bench/useSize";
import { Refusal } from "../../../parts/Refusal";
import { Ground } from "../table/Ground";
import type { TableProps } from "../table/props";
import { useStrip } from "./useStrip";

/** The object in pieces; at Refit forward again, what is in and what is next. */
export default function PiecesTable({ view, ask }: TableProps) {
	const forward = ask.station === "refit";
	const [ref, size] = useSize<HTMLDivElement>();
	const [chosen, setChosen] = useState("");
	const strip = useStrip(view);
	const pieces = piecesOf(
		view,
		ask.kind === "back" ? (ask.key ?? "") : "",
		forward,
	);
	if (pieces.length === 0) {
		return (
			<Ground says="nothing is off yet">
				<div className="grid h-full place-items-center">
					<ObjectMap drawing={view.object} width={320} />
				</div>
			</Ground>
		);
	}
	const name = (id: string) =>
		pieces.find((p) => p.entry.id === id)?.entry.what ?? id;
	function tap(id: string) {
		if (view.job.signed || strip.change.isPending) return;
		if (chosen === "" || chosen === id) {
			setChosen(chosen === id ? "" : id);
			return;
		}
		const record = view.job.strip.find((r) => r.entry.id === id);
		if (record) {
			strip.change.mutate({
				entry: { ...record.entry, first: turned(record.entry, chosen) },
				version: record.version,
			});
		}
		setChosen("");
	}
	return (
		<Ground
			says={
				chosen
					? `${name(chosen)} goes in before …: tap what comes after it, or tap it again`
					: forward
						? "back in, in this order; an arrow runs to what goes in later"
						: "in pieces, as they came off; an arrow runs to what goes in later. Tap two to say so"
			}
			foot={
				<>
					<Refusal error={strip.change.error} />
					<GuestLine view={view} />
				</>
			}
		>
			<div ref={ref} className="absolute inset-0 overflow-y-auto">
				<Pieces
					pieces={pieces}
					links={linksOf(view)}
					width={size.w}
					height={size.h - 4}
					chosen={chosen}
					onTap={view.job.signed ? undefined : tap}
				/>
			</div>
		</Ground>
	);
}

/** The list of what goes first, with one more or one less. */
function turned(entry: StripEntry, id: string): string[] {
	const first = entry.first ?? [];
	return first.includes(id) ? first.filter((f) => f !== id) : [...first, id];
}

function piecesOf(view: View, now: string, forward: boolean): Piece[] {
	const order = view.strip.back.map((l) => l.id);
	const strip = [...view.job.strip];
	if (forward) {
		strip.sort((a, b) => order.indexOf(a.entry.id) - order.indexOf(b.entry.id));
	}
	return strip.map(({ entry }) => {
		const line = view.strip.back.find((l) => l.id === entry.id);
		return {
			entry,
			odd: (line?.warnings.length ?? 0) > 0,
			state: line?.done ? "in" : entry.id === now ? "now" : "off",
			says:
				line && !line.done && line.in > 0 ? `${line.in} of ${line.of} in` : "",
		};
	});
}

/** What goes in before what: as somebody said, or as it lies. */
function linksOf(view: View): Link[] {
	return view.job.strip.flatMap(({ entry }) => {
		const own = new Set([...(entry.first ?? []), ...(entry.captures ?? [])]);
		const line = view.strip.back.find((l) => l.id === entry.id);
		return (line?.before ?? []).map((from) => ({
			from,
			to: entry.id,
			own: own.has(from),
		}));
	});
}

/** What is in only for now: it has to be out again before something. */
function GuestLine({ view }: { view: View }) {
	const inside = view.guests.filter((g) => !g.out && !g.stays);
	if (inside.length === 0) return null;
	return (
		<p className="border-l-4 border-warn bg-warn-wash px-3 py-1 text-[0.9375rem]">
			<strong className="text-warn">Temporary:</strong>{" "}
			{inside.map((g) => g.what).join(", ")}
		</p>
	);
}
