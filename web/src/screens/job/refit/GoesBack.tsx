import { useState } from "react";
import type { StripEntry, StripLine, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { control, Field } from "../../../parts/Field";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import type { StripTools } from "../strip/useStrip";

type Stands = NonNullable<StripEntry["stands"]>;

const ways: { value: Stands; label: string }[] = [
	{ value: "", label: "as such things usually lie" },
	{ value: "under", label: "under the pane, before it" },
	{ value: "round", label: "round it, with it" },
	{ value: "over", label: "over it, after it" },
];

const said: Record<Stands, string> = {
	"": "",
	under: "goes under the pane, before it",
	round: "goes round the pane, with it",
	over: "goes over the pane, after it",
};

/** What goes before what: how a thing stands to the pane, and what goes in first. */
export function GoesBack({
	line,
	view,
	strip,
}: {
	line: StripLine;
	view: View;
	strip: StripTools;
}) {
	const [open, setOpen] = useState(false);
	const record = view.job.strip.find((r) => r.entry.id === line.id);
	if (!record) return null;
	const { entry, version } = record;
	const first = entry.first ?? [];
	const name = (id: string) =>
		view.job.strip.find((r) => r.entry.id === id)?.entry.what ?? id;
	const set = (change: Partial<StripEntry>) =>
		strip.change.mutate({ entry: { ...entry, ...change }, version });
	const words = [
		said[line.stands ?? ""],
		first.length > 0 ? `after ${first.map(name).join(", ")}` : "",
	].filter((w) => w !== "");
	if (!open) {
		return (
			<p className="flex flex-wrap items-center gap-x-3 text-[0.9375rem] text-ink-2">
				{words.join("; ")}
				<button
					type="button"
					className="min-h-11 underline underline-offset-4"
					onClick={() => setOpen(true)}
				>
					what goes before it
				</button>
			</p>
		);
	}
	return (
		<div className="my-2 border-l-4 border-rule pl-3">
			<Pick
				label={`How ${entry.what} goes back`}
				value={entry.stands ?? ""}
				onChange={(stands) => set({ stands })}
				options={ways}
			/>
			<Field label="In first, before it">
				{(a) => (
					<select
						{...a}
						className={control}
						value=""
						onChange={(e) => set({ first: [...first, e.target.value] })}
					>
						<option value="">nothing more</option>
						{view.job.strip
							.filter(
								(r) => r.entry.id !== line.id && !first.includes(r.entry.id),
							)
							.map((r) => (
								<option key={r.entry.id} value={r.entry.id}>
									{r.entry.what}
								</option>
							))}
					</select>
				)}
			</Field>
			{first.map((f) => (
				<Button
					key={f}
					kind="quiet"
					onClick={() => set({ first: first.filter((x) => x !== f) })}
				>
					not after {name(f)}
				</Button>
			))}
			<Refusal error={strip.change.error} />
			<Button kind="quiet" onClick={() => setOpen(false)}>
				Done
			</Button>
		</div>
	);
}
