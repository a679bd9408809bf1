import { useCatalogue } from "../api/book";
import type { FieldError } from "../api/types";
import { Button } from "./Button";
import { control, Field, TextField } from "./Field";
import { NumberField } from "./NumberField";

export type WitnessRow = {
	kind: string;
	width: string;
	height: string;
	round: string;
	cracks: number;
	pen: number;
};

export const blankWitness = (kind: string): WitnessRow => ({
	kind,
	width: "",
	height: "",
	round: "",
	cracks: 0,
	pen: 0,
});

/** Whether anything was typed in it. */
export const witnessed = (r: WitnessRow) =>
	(r.kind === "groove" ? r.round : r.width + r.height).trim() !== "";

const most = 8;

/** What speaks for the size of a pane: who, how wide, how high. */
export function WitnessRows({
	rows,
	onRows,
	error,
	without = [],
	narrow = false,
}: {
	rows: WitnessRow[];
	onRows: (rows: WitnessRow[]) => void;
	error: (field: string) => FieldError | undefined;
	/** Kinds that are not offered here. */
	without?: string[];
	/** In a column rather than across the page. */
	narrow?: boolean;
}) {
	const catalogue = useCatalogue();
	const kinds = (catalogue.data?.witnesses ?? []).filter(
		(k) => !without.includes(k.id),
	);
	function row(n: number, change: Partial<WitnessRow>) {
		onRows(rows.map((r, i) => (i === n ? { ...r, ...change } : r)));
	}
	return (
		<>
			<ol className="flex max-w-[64em] flex-col gap-3">
				{rows.map((r, n) => (
					<li
						// biome-ignore lint/suspicious/noArrayIndexKey: rows have no name but their place
						key={n}
						className={`grid grid-cols-2 items-start gap-3 border-b border-rule pb-3 ${narrow ? "" : "sm:grid-cols-[14rem_1fr_1fr_7rem_auto]"}`}
					>
						<div className={narrow ? "col-span-2" : ""}>
							<Field label={`Seen, ${n + 1}`} error={error(`heard[${n}].kind`)}>
								{(a) => (
									<select
										{...a}
										className={control}
										value={r.kind}
										onChange={(e) => row(n, { kind: e.target.value })}
									>
										{kinds.map((k) => (
											<option key={k.id} value={k.id}>
												{k.name}
											</option>
										))}
									</select>
								)}
							</Field>
						</div>
						{r.kind === "groove" ? (
							<TextField
								label="all round"
								value={r.round}
								onChange={(round) => row(n, { round })}
								error={error(`heard[${n}].round`)}
							/>
						) : (
							<>
								<TextField
									label="width"
									value={r.width}
									onChange={(width) => row(n, { width })}
									error={error(`heard[${n}].width`)}
								/>
								<TextField
									label="height"
									value={r.height}
									onChange={(height) => row(n, { height })}
									error={error(`heard[${n}].height`)}
								/>
							</>
						)}
						{r.kind === "pieces" ? (
							<NumberField
								label="cracks crossed"
								value={r.cracks}
								onChange={(cracks) => row(n, { cracks })}
								error={error(`heard[${n}].cracks`)}
							/>
						) : r.kind === "traced" ? (
							<NumberField
								label="line, mm wide"
								value={r.pen}
								onChange={(pen) => row(n, { pen })}
								error={error(`heard[${n}].pen`)}
							/>
						) : (
							<span />
						)}
						{(rows.length > 1 || narrow) && (
							<Button
								kind="quiet"
								className="self-end"
								aria-label={`take out ${n + 1}`}
								onClick={() => onRows(rows.filter((_, i) => i !== n))}
							>
								take out
							</Button>
						)}
					</li>
				))}
			</ol>
			<Button
				className="mt-3"
				disabled={rows.length >= most}
				onClick={() =>
					onRows([
						...rows,
						blankWitness(
							kinds.find((k) => !rows.some((r) => r.kind === k.id))?.id ??
								"neighbour",
						),
					])
				}
			>
				{rows.length === 0 ? "Somebody else says it" : "One more"}
			</Button>
		</>
	);
}
