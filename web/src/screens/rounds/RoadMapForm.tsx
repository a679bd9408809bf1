import { useState } from "react";
import { useChangeRoadMap, useRoadMap } from "../../api/rounds";
import type { RoadMap } from "../../api/types";
import { useWho } from "../../app/who";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { FilePick } from "../../parts/FilePick";
import { Refusal } from "../../parts/Refusal";

/** Minutes between places, and the timetables of ferries: an owner's to change. */
export function RoadMapForm() {
	const { account } = useWho();
	const map = useRoadMap();
	const [open, setOpen] = useState(false);
	const m = map.data;
	if (!m) return null;
	return (
		<section aria-label="The road map">
			<h2 className="font-semibold">The road map</h2>
			{m.legs.length === 0 && (
				<p className="max-w-[36em] text-ink-2">
					Nobody said yet how far it is to anywhere: say Lantern Yard to Ferry
					quay, 6 min. Then a round can be laid out.
				</p>
			)}
			{!open && m.legs.length > 0 && (
				<p className="text-ink-2">
					{m.legs.length} roads from {m.home} on
					{m.ferries.length > 0 &&
						`; by ${m.ferries.map((f) => f.name).join(", ")}`}
					.
				</p>
			)}
			{account.role === "owner" &&
				(open ? (
					<Change key={m.version} map={m} onDone={() => setOpen(false)} />
				) : (
					<Button kind="quiet" className="px-0!" onClick={() => setOpen(true)}>
						change it
					</Button>
				))}
		</section>
	);
}

function Change({ map, onDone }: { map: RoadMap; onDone: () => void }) {
	const [m, setM] = useState({
		...map,
		legs: [...map.legs, { a: map.home, b: "", minutes: 10 }],
	});
	const write = useChangeRoadMap();
	const leg = (i: number, c: Partial<RoadMap["legs"][number]>) =>
		setM({ ...m, legs: m.legs.map((l, k) => (k === i ? { ...l, ...c } : l)) });
	return (
		<form
			className="mt-2 flex flex-col gap-2"
			onSubmit={(e) => {
				e.preventDefault();
				write.mutate(
					{ ...m, legs: m.legs.filter((l) => l.a && l.b) },
					{ onSuccess: onDone },
				);
			}}
			data-road-map
		>
			<TextField
				label="Where the van stands at night"
				value={m.home}
				onChange={(home) => setM({ ...m, home })}
				error={write.error?.field("home")}
				maxLength={80}
			/>
			{m.legs.map((l, i) => (
				<div
					// biome-ignore lint/suspicious/noArrayIndexKey: rows are known by their place
					key={i}
					className="grid grid-cols-[1fr_1fr_5rem] items-end gap-2"
				>
					<TextField
						label={`From, road ${i + 1}`}
						value={l.a}
						onChange={(a) => leg(i, { a })}
						error={write.error?.field(`legs[${i}].a`)}
						maxLength={80}
					/>
					<TextField
						label={`To, road ${i + 1}`}
						value={l.b}
						onChange={(b) => leg(i, { b })}
						error={write.error?.field(`legs[${i}].b`)}
						maxLength={80}
					/>
					<TextField
						label="min"
						inputMode="numeric"
						value={l.minutes === 0 ? "" : String(l.minutes)}
						onChange={(t) => leg(i, { minutes: Number.parseInt(t, 10) || 0 })}
						error={write.error?.field(`legs[${i}].minutes`)}
						maxLength={3}
					/>
				</div>
			))}
			<Button
				className="self-start"
				onClick={() =>
					setM({
						...m,
						legs: [...m.legs, { a: m.home, b: "", minutes: 10 }],
					})
				}
			>
				One more road
			</Button>
			<ul>
				{m.ferries.map((f) => (
					<li key={f.name} className="flex flex-wrap items-center gap-x-4">
						<strong className="font-semibold">{f.name}</strong>
						<Button
							kind="quiet"
							onClick={() =>
								setM({ ...m, ferries: m.ferries.filter((o) => o !== f) })
							}
						>
							remove
						</Button>
					</li>
				))}
			</ul>
			<FilePick
				label="take in a ferry's timetable, iCalendar"
				accept=".ics,text/calendar"
				onText={(text, name) =>
					setM({
						...m,
						ferries: [
							...m.ferries.filter((o) => o.name !== bare(name)),
							{ name: bare(name), text },
						],
					})
				}
			/>
			<Refusal error={write.error} />
			<p className="flex gap-3">
				<Button type="submit" disabled={write.isPending}>
					Keep the roads
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave them
				</Button>
			</p>
		</form>
	);
}

/** A file's name without its ending: sandholm-ferry.ics is the sandholm ferry. */
function bare(name: string): string {
	return name
		.replace(/\.[^.]*$/, "")
		.replace(/[-_]+/g, " ")
		.slice(0, 80);
}
