import { useState } from "react";
import { useDropOwn, useLayOwn } from "../../api/book";
import type { Own } from "../../api/types";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { NumberField } from "../../parts/NumberField";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { UnreadWithin } from "../../parts/unread";

type At = { kind: Own["kind"]; id: string; item: string };

/** A value of the shop's own: what it is, and which sheet says so. */
export function OwnForm({
	at,
	unit,
	value,
	laid,
	onDone,
	among,
}: {
	at: At;
	unit: string;
	value?: number;
	laid?: Own;
	onDone: () => void;
	/** A word among some instead of a number. */
	among?: { v: number; label: string }[];
}) {
	const [v, setV] = useState(value ?? 0);
	const [sheet, setSheet] = useState(laid?.sheet ?? "");
	const version = laid?.version ?? 0;
	const set = useLayOwn(at);
	const drop = useDropOwn(at);
	const shown = set.error?.field("v") ?? set.error?.field("sheet");
	return (
		<UnreadWithin>
			<form
				className="flex flex-col gap-3 border-l-4 border-now pl-4"
				onSubmit={(e) => {
					e.preventDefault();
					set.mutate({ v, sheet, version }, { onSuccess: onDone });
				}}
			>
				{among ? (
					<Pick
						label="The shop's word"
						value={String(v)}
						onChange={(w) => setV(Number(w))}
						options={among.map((w) => ({ value: String(w.v), label: w.label }))}
					/>
				) : (
					<NumberField
						label={unit ? `The shop's value, ${unit}` : "The shop's value"}
						value={v}
						onChange={setV}
						error={set.error?.field("v")}
					/>
				)}
				<TextField
					label="Where it says so"
					hint="The data sheet and its date, or who says so."
					value={sheet}
					onChange={setSheet}
					error={set.error?.field("sheet")}
				/>
				{!shown && <Refusal error={set.error ?? drop.error} />}
				<div className="flex flex-wrap items-center gap-4">
					<Button kind="now" type="submit" disabled={set.isPending}>
						Lay it over the book's
					</Button>
					{laid && (
						<Button
							onClick={() => drop.mutate(version, { onSuccess: onDone })}
							disabled={drop.isPending}
						>
							As in the book again
						</Button>
					)}
				</div>
			</form>
		</UnreadWithin>
	);
}
