import { useState } from "react";
import type { StripEntry } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { NumberField } from "../../../parts/NumberField";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { Speak } from "../../../parts/Speak";
import { Tick } from "../../../parts/Tick";
import { fates, kinds } from "./stripWords";
import { unnamed } from "./usePhotoLines";
import type { StripTools } from "./useStrip";

const driven = ["screw", "bolt", "nut"];

/** An entry corrected later: its name, count, drive, place, what becomes of it. */
export function CorrectEntry({
	entry,
	version,
	strip,
	onDone,
}: {
	entry: StripEntry;
	version: number;
	strip: StripTools;
	onDone: () => void;
}) {
	const [e, setE] = useState<StripEntry>({
		...entry,
		what: unnamed.test(entry.what) ? "" : entry.what,
	});
	const screws = e.kind === "fasteners";
	const set = (c: Partial<StripEntry>) => setE({ ...e, ...c });
	const held = (c: Partial<StripEntry["held"]>) =>
		set({ held: { ...e.held, ...c } });
	return (
		<form
			className="my-2 flex flex-col gap-3 border-l-4 border-now pl-3"
			onSubmit={(ev) => {
				ev.preventDefault();
				const how =
					screws && !driven.includes(e.held.how)
						? ("screw" as const)
						: e.held.how;
				strip.change.mutate(
					{ entry: { ...e, held: { ...e.held, how } }, version },
					{ onSuccess: onDone },
				);
			}}
		>
			<TextField
				label="What is it?"
				value={e.what}
				onChange={(what) => set({ what })}
				error={strip.change.error?.field("what")}
				maxLength={120}
				autoFocus
			/>
			<Speak into="what it is" onSaid={(what) => set({ what })} />
			<Pick
				label="Kind"
				value={e.kind}
				options={kinds.map((k) => ({ value: k, label: k }))}
				onChange={(kind) => set({ kind })}
			/>
			<div className="grid grid-cols-2 gap-3">
				<NumberField
					label="How many"
					value={e.count}
					onChange={(count) => set({ count })}
				/>
				<TextField
					label="Where"
					value={e.where ?? ""}
					onChange={(where) => set({ where })}
					maxLength={120}
				/>
				{screws && (
					<>
						<TextField
							label="Drive"
							value={e.held.drive ?? ""}
							onChange={(drive) => held({ drive })}
							maxLength={20}
						/>
						<TextField
							label="Size"
							value={e.held.size ?? ""}
							onChange={(size) => held({ size })}
							maxLength={20}
						/>
					</>
				)}
			</div>
			<TextField
				label="Which way it faces"
				value={e.facing ?? ""}
				onChange={(facing) => set({ facing })}
				maxLength={200}
			/>
			<Pick
				label="What becomes of it"
				value={e.fate}
				options={fates}
				onChange={(fate) => set({ fate })}
			/>
			{e.fate === "substitute" && (
				<TextField
					label="Replaced by"
					placeholder="M6 × 30 bolt, bush, two washers"
					value={e.by ?? ""}
					onChange={(by) => set({ by })}
					maxLength={120}
				/>
			)}
			<Tick checked={e.seized === true} onChange={(seized) => set({ seized })}>
				It was seized
			</Tick>
			<Refusal
				error={strip.change.error?.field("what") ? null : strip.change.error}
			/>
			<div className="flex gap-2">
				<Button
					type="submit"
					disabled={e.what.trim() === "" || strip.change.isPending}
				>
					Save
				</Button>
				<Button kind="quiet" onClick={onDone}>
					As it was
				</Button>
			</div>
		</form>
	);
}
