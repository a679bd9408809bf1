import { useState } from "react";
import { useAddGuest, useChangeGuest } from "../../../api/strip";
import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { control, Field, TextField } from "../../../parts/Field";
import { Refusal } from "../../../parts/Refusal";
import { Tick } from "../../../parts/Tick";

type Guest = {
	what: string;
	where?: string;
	before?: string;
	stays?: boolean;
	seen?: boolean;
};

/** What is in the object only for now, each with when it goes out. */
export function Guests({ view }: { view: View }) {
	const [opened, setOpened] = useState(false);
	const put = useAddGuest(view);
	const out = useChangeGuest(view);
	const inside = view.guests.filter((g) => !g.out);
	const gone = view.guests.filter((g) => g.out);
	const { signed } = view.job;
	if (signed && view.guests.length === 0) return null;
	return (
		<section aria-label="Temporary" className="mt-5">
			<h2 className="font-semibold">Temporary</h2>
			{inside.length === 0 && (
				<p className="text-[0.9375rem] text-ink-2">
					Nothing: no pin, no prop, no rag, no tape.
				</p>
			)}
			<ul>
				{inside.map((g) => (
					<li
						key={g.id}
						data-guest={g.id}
						className="flex items-center gap-3 border-b border-rule py-1"
					>
						<p className="min-w-0 flex-1">
							<strong className="font-semibold">{g.what}</strong>
							{g.where && `, ${g.where}`}
							<span className="block text-[0.9375rem] text-ink-2">
								{g.stays
									? `stays for good${g.seen ? ", and will be seen" : ""}`
									: `out before: ${g.last || g.before}`}
							</span>
						</p>
						{!signed && !g.stays && (
							<Button
								disabled={out.isPending}
								onClick={() => out.mutate({ id: g.id, out: true })}
							>
								It is out
							</Button>
						)}
					</li>
				))}
			</ul>
			{gone.length > 0 && (
				<p className="mt-1 text-[0.9375rem] text-ink-2">
					Out again: {gone.map((g) => g.what).join(", ")}.
				</p>
			)}
			<Refusal error={out.error ?? put.error} />
			{!signed &&
				(opened ? (
					<div className="mt-2 flex flex-wrap gap-2">
						{view.may_put_in.map((u) => (
							<Button
								key={u.id}
								title={u.why}
								disabled={put.isPending}
								onClick={() =>
									put.mutate(
										{ what: u.what, before: u.before },
										{ onSuccess: () => setOpened(false) },
									)
								}
							>
								{u.what}
							</Button>
						))}
						<Another
							view={view}
							pending={put.isPending}
							onPut={(g) =>
								put.mutate(g, { onSuccess: () => setOpened(false) })
							}
							error={(f) => put.error?.field(f)}
						/>
						<Button kind="quiet" onClick={() => setOpened(false)}>
							Nothing
						</Button>
					</div>
				) : (
					<Button className="mt-2" onClick={() => setOpened(true)}>
						Put something in
					</Button>
				))}
		</section>
	);
}

/** Something that is not on the list, with when it goes out. */
function Another({
	view,
	pending,
	onPut,
	error,
}: {
	view: View;
	pending: boolean;
	onPut: (g: Guest) => void;
	error: (f: string) => { field: string; why: string } | undefined;
}) {
	const done = view.pane.ticks.map((t) => t.step);
	const open = view.reckoning.plan.steps.filter((s) => !done.includes(s.key));
	const [what, setWhat] = useState("");
	const [before, setBefore] = useState(open.at(-1)?.key ?? "");
	const [stays, setStays] = useState(false);
	const [seen, setSeen] = useState(false);
	return (
		<div className="mt-2 w-full border-l-4 border-rule pl-3">
			<TextField
				label="Something else"
				value={what}
				onChange={setWhat}
				error={error("what")}
				maxLength={80}
			/>
			<Tick checked={stays} onChange={setStays}>
				It stays for good
			</Tick>
			{stays ? (
				<Tick checked={seen} onChange={setSeen}>
					and will be seen
				</Tick>
			) : (
				<Field label="Out before" error={error("before")}>
					{(a) => (
						<select
							{...a}
							className={control}
							value={before}
							onChange={(e) => setBefore(e.target.value)}
						>
							{open.map((s) => (
								<option key={s.key} value={s.key}>
									{s.number}. {s.title}
								</option>
							))}
						</select>
					)}
				</Field>
			)}
			<Button
				className="mt-2"
				disabled={pending || what.trim() === ""}
				onClick={() => onPut(stays ? { what, stays, seen } : { what, before })}
			>
				Put it in
			</Button>
		</div>
	);
}
