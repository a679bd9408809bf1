import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { api, got, type Refused } from "../../api/client";
import { useCatalogue } from "../../api/hooks";
import type { WitnessOut } from "../../api/types";
import { useDraft } from "../../app/draft";
import { Button } from "../../parts/Button";
import { control, Field, TextField } from "../../parts/Field";
import { FigureLine } from "../../parts/FigureLine";
import { NumberField } from "../../parts/NumberField";
import { Refusal } from "../../parts/Refusal";

type Row = {
	kind: string;
	width: string;
	height: string;
	cracks: number;
	pen: number;
};

const blank = (kind: string): Row => ({
	kind,
	width: "",
	height: "",
	cracks: 0,
	pen: 0,
});

const empty = { clearance: 2, rows: [blank("opening"), blank("old")] };

const most = 8;

/** What size several readings of a pane stand for, and which of them lies. */
export function WitnessSum() {
	const catalogue = useCatalogue();
	const [form, set] = useDraft("witness", empty);
	const asked = useDeferredValue(form);
	const said = asked.rows.some((r) => r.width.trim() + r.height.trim() !== "");
	const q = useQuery<WitnessOut, Refused>({
		queryKey: ["witness", asked],
		queryFn: () =>
			got(
				api.POST("/api/sums/witness", {
					body: {
						clearance: asked.clearance,
						heard: asked.rows.map((r) => ({
							...r,
							kind: r.kind as "opening",
						})),
					},
				}),
			),
		enabled: said,
		retry: false,
		placeholderData: (before) => before,
	});
	const error = (f: string) => q.error?.field(f);
	const kinds = catalogue.data?.witnesses ?? [];
	function row(n: number, change: Partial<Row>) {
		set({
			...form,
			rows: form.rows.map((r, i) => (i === n ? { ...r, ...change } : r)),
		});
	}
	return (
		<section aria-label="Who says the size">
			<h2 className="text-2xl font-semibold">Who says the size?</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				The opening, the old pane, a neighbour, a sheet, the customer: each
				speaks for the pane with its own doubt, and each has its usual lie. What
				two agree on beats one that is precise.
			</p>
			<ol className="flex max-w-[64em] flex-col gap-3">
				{form.rows.map((r, n) => (
					<li
						// biome-ignore lint/suspicious/noArrayIndexKey: rows have no name but their place
						key={n}
						className="grid grid-cols-2 items-start gap-3 border-b border-rule pb-3 sm:grid-cols-[14rem_1fr_1fr_7rem_auto]"
					>
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
						{form.rows.length > 1 && (
							<Button
								kind="quiet"
								className="self-end"
								aria-label={`take out ${n + 1}`}
								onClick={() =>
									set({ ...form, rows: form.rows.filter((_, i) => i !== n) })
								}
							>
								take out
							</Button>
						)}
					</li>
				))}
			</ol>
			<div className="mt-3 flex flex-wrap items-end gap-4">
				<Button
					disabled={form.rows.length >= most}
					onClick={() =>
						set({
							...form,
							rows: [
								...form.rows,
								blank(
									kinds.find((k) => !form.rows.some((r) => r.kind === k.id))
										?.id ?? "neighbour",
								),
							],
						})
					}
				>
					One more
				</Button>
				<div className="w-56">
					<NumberField
						label="clearance each side, mm"
						value={form.clearance}
						onChange={(clearance) => set({ ...form, clearance })}
						error={error("clearance")}
					/>
				</div>
			</div>
			<Refusal
				error={q.error && !q.error.problem.errors?.length ? q.error : null}
			/>
			{said && q.data && !q.error && (
				<div className="mt-4 grid max-w-[64em] gap-6 sm:grid-cols-2">
					{(["width", "height"] as const).map((w) => {
						const j = q.data?.[w];
						if (!j) return null;
						return (
							<div key={w} data-witnessed={w}>
								<h3 className="font-semibold">The pane's {w}</h3>
								{j.figures.map((f) => (
									<FigureLine key={f.key} figure={f} />
								))}
								<p className="mt-1">{j.words}</p>
								{j.tell && (
									<p className="border-l-4 border-now pl-3">
										What would tell: {j.tell}.
									</p>
								)}
								<ul className="mt-2 text-[15px]">
									{j.says.map((s, n) => (
										<li
											// biome-ignore lint/suspicious/noArrayIndexKey: one kind may speak twice
											key={n}
											className={s.liar ? "text-stop" : "text-ink-2"}
										>
											{s.liar ? "✗ " : ""}
											{s.name}: {s.formula}
										</li>
									))}
								</ul>
							</div>
						);
					})}
				</div>
			)}
		</section>
	);
}
