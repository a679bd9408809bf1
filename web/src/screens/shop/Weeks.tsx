import { useState } from "react";
import { usePeople } from "../../api/people";
import {
	useChangeDayPlace,
	useChangeWeek,
	useDayPlaces,
	useWeeks,
} from "../../api/shop";
import type { Week } from "../../api/types";
import { useWho } from "../../app/who";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Refusal } from "../../parts/Refusal";
import { Stepper } from "../../parts/Stepper";
import { Tick } from "../../parts/Tick";

const days = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
const may = [
	{ key: "pressure", says: "boilers and pressure" },
	{ key: "gas", says: "gas" },
	{ key: "height", says: "height" },
] as const;

/** When each person works, is off, and what they may do: the days are planned by it. */
export function Weeks() {
	const people = usePeople();
	const names = new Map(people.data?.map((p) => [p.id, p.name]));
	const weeks = useWeeks();
	const { account } = useWho();
	return (
		<section aria-label="When people work">
			<h2 className="text-2xl font-semibold">When people work</h2>
			<p className="text-ink-2">
				The days are planned by it. Only those who may are given work on gas,
				under pressure or at a height.
			</p>
			{weeks.isError && <p role="alert">{weeks.error.message}</p>}
			{weeks.data?.map((w) => (
				<OneWeek
					key={`${w.account} ${w.version}`}
					week={w}
					name={names.get(w.account) ?? ""}
					mine={account.role === "owner" || account.id === w.account}
					owner={account.role === "owner"}
				/>
			))}
			{account.role === "owner" && <Places />}
		</section>
	);
}

const placeNames = {
	bench: "Benches",
	van: "Vans",
	table: "Tables to cut on",
} as const;

/** How many of each place there are: as many jobs stand there at once. */
function Places() {
	const places = useDayPlaces();
	const write = useChangeDayPlace();
	return (
		<div className="mt-4 flex flex-wrap gap-x-8 gap-y-3" data-places>
			{places.data?.map((p) => (
				<Stepper
					key={p.name}
					name={placeNames[p.name]}
					value={p.count}
					least={1}
					most={20}
					onChange={(count) => write.mutate({ ...p, count, seen: p.count })}
				/>
			))}
			<Refusal error={places.error ?? write.error} />
		</div>
	);
}

function OneWeek({
	week,
	name,
	mine,
	owner,
}: {
	week: Week;
	name: string;
	mine: boolean;
	owner: boolean;
}) {
	const [w, setW] = useState(week);
	const [off, setOff] = useState(week.off.join(", "));
	const set = (c: Partial<Week>) => setW({ ...w, ...c });
	const write = useChangeWeek();
	const at = (f: string) => write.error?.field(f);
	const offFault = [0, 1, 2, 3, 4, 5].map((i) => at(`off[${i}]`)).find(Boolean);
	const known = ["from", "to", "noon_from", "noon_to"].some((f) => at(f));
	if (!mine) {
		return (
			<p className="border-t border-rule py-2">
				<strong className="font-semibold">{name}</strong>:{" "}
				{w.days.map((d) => days[d - 1]).join(", ")}, {w.from} to {w.to}
			</p>
		);
	}
	return (
		<form
			aria-label={name}
			className="flex flex-col gap-2 border-t border-rule py-3"
			data-week={w.account}
			onSubmit={(e) => {
				e.preventDefault();
				write.mutate({
					...w,
					off: off
						.split(/[ ,;]+/)
						.map((d) => d.trim())
						.filter(Boolean),
				});
			}}
		>
			<strong className="font-semibold">{name}</strong>
			<div className="flex flex-wrap gap-x-4">
				{days.map((d, i) => (
					<Tick
						key={d}
						checked={w.days.includes(i + 1)}
						onChange={(on) =>
							set({
								days: on
									? [...w.days, i + 1].sort()
									: w.days.filter((k) => k !== i + 1),
							})
						}
					>
						{d}
					</Tick>
				))}
			</div>
			<div className="grid max-w-[40em] grid-cols-2 gap-3 sm:grid-cols-4">
				<TextField
					label="From"
					value={w.from}
					onChange={(from) => set({ from })}
					maxLength={5}
					error={at("from")}
				/>
				<TextField
					label="To"
					value={w.to}
					onChange={(to) => set({ to })}
					maxLength={5}
					error={at("to")}
				/>
				<TextField
					label="Break from"
					value={w.noon_from ?? ""}
					onChange={(noon_from) => set({ noon_from })}
					maxLength={5}
					error={at("noon_from")}
				/>
				<TextField
					label="Break to"
					value={w.noon_to ?? ""}
					onChange={(noon_to) => set({ noon_to })}
					maxLength={5}
					error={at("noon_to")}
				/>
			</div>
			<TextField
				label="Days off"
				placeholder="2026-12-24, 2026-12-28"
				value={off}
				onChange={setOff}
				maxLength={1200}
				error={offFault}
			/>
			<div className="flex flex-wrap gap-x-4">
				{may.map((m) => (
					<Tick
						key={m.key}
						checked={w.may.includes(m.key)}
						disabled={!owner}
						onChange={(on) =>
							set({
								may: on ? [...w.may, m.key] : w.may.filter((k) => k !== m.key),
							})
						}
					>
						may do {m.says}
					</Tick>
				))}
			</div>
			<Refusal error={known || offFault ? null : write.error} />
			<Button type="submit" className="self-start" disabled={write.isPending}>
				Save
			</Button>
		</form>
	);
}
