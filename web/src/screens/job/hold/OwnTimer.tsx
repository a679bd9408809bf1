import { useState } from "react";
import type { Refused } from "../../../api/refused";
import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { Refusal } from "../../../parts/Refusal";

export type Started = {
	usual?: string;
	what?: string;
	minutes?: number;
	gates?: string;
	check?: boolean;
};

const fields = ["what", "minutes"];

/** A clock of one's own: what for, how long, and what it keeps shut. */
export function OwnTimer({
	view,
	station,
	pending,
	error,
	onStart,
	onLeave,
}: {
	view: View;
	station: string;
	pending: boolean;
	error: Refused | null;
	onStart: (body: Started) => void;
	onLeave: () => void;
}) {
	const [what, setWhat] = useState("");
	const [minutes, setMinutes] = useState("30");
	const [gates, setGates] = useState("");
	const done = new Set(view.pane.ticks.map((t) => t.step));
	const open = view.reckoning.plan.steps.filter((s) => !done.has(s.key));
	const from = open.findIndex((s) => s.station === station);
	const n = Number(minutes.trim().replace(",", "."));
	return (
		<form
			aria-label="Another clock"
			className="flex flex-col gap-3 border-l-4 border-now pl-3"
			onSubmit={(e) => {
				e.preventDefault();
				onStart({
					what,
					minutes: Number.isFinite(n) ? Math.round(n) : 0,
					gates: gates || undefined,
				});
			}}
		>
			<TextField
				label="What is waited for?"
				value={what}
				onChange={setWhat}
				maxLength={120}
				error={error?.field("what")}
			/>
			<TextField
				label="Minutes"
				inputMode="numeric"
				value={minutes}
				onChange={setMinutes}
				error={error?.field("minutes")}
			/>
			<label className="flex flex-col gap-1 font-semibold">
				What waits for it
				<select
					className="min-h-12 border-b-2 border-ink bg-lit px-3 font-normal"
					value={gates}
					onChange={(e) => setGates(e.target.value)}
				>
					<option value="">nothing, it only calls</option>
					{open.slice(Math.max(0, from)).map((s) => (
						<option key={s.key} value={s.key}>
							{s.number}. {s.title}
						</option>
					))}
				</select>
			</label>
			<Refusal
				error={error && !fields.some((f) => error.field(f)) ? error : null}
			/>
			<div className="flex gap-2">
				<Button type="submit" disabled={pending || what.trim() === ""}>
					Start it
				</Button>
				<Button kind="quiet" onClick={onLeave}>
					leave it
				</Button>
			</div>
		</form>
	);
}
