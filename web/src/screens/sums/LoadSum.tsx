import { useDeferredValue } from "react";
import { useCatalogue } from "../../api/book";
import { useLoadSum } from "../../api/sums";
import type { LoadIn } from "../../api/types";
import { useDraft } from "../../app/draft";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { FigureLine } from "../../parts/FigureLine";
import { MaterialField, ThicknessField } from "../../parts/MaterialField";
import { NumberField } from "../../parts/NumberField";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { Tick } from "../../parts/Tick";
import { Carriers } from "./Carriers";
import { HeldPicture } from "./HeldPicture";

const empty: LoadIn = {
	w: "900 mm",
	h: "600 mm",
	held: "",
	material: "annealed",
	thickness: 4,
	wind: 30,
	push: 0,
	even: 0,
	lying: false,
	warp: 0,
};

const loads = [
	{ key: "wind", label: "gust, m/s" },
	{ key: "push", label: "push, N" },
	{ key: "even", label: "for good, kPa" },
	{ key: "warp", label: "seat out of flat", length: true },
] as const;

/** A pane under wind, a push, a load for good and a warped seat. */
export function LoadSum() {
	const [form, set, clear] = useDraft<LoadIn>("load", empty);
	const catalogue = useCatalogue();
	const asked = useDeferredValue(form);
	const q = useLoadSum(asked);
	const error = q.error ?? null;
	const at = (f: string) => error?.field(f);
	const loose =
		error && !["w", "h", "thickness", ...loads.map((l) => l.key)].some(at)
			? error
			: null;
	const materials = catalogue.data?.materials ?? [];
	const material = materials.find((m) => m.id === form.material);
	return (
		<section aria-label="A pane under load">
			<h2 className="text-2xl font-semibold">A pane under load</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				What wind, a push at the worst place, a load for good and a warped seat
				do to a pane. Elastic plate numbers, no approval: local rules come
				first.
			</p>
			<div className="grid gap-x-10 gap-y-6 xl:grid-cols-[1fr_520px]">
				<div>
					{q.data && !error && (
						<>
							{q.data.figures.map((f) => (
								<FigureLine key={f.key} figure={f} />
							))}
							{q.data.figures.length === 0 && (
								<p>Nothing bends it: give a load.</p>
							)}
							<Carriers carriers={q.data.carriers} />
						</>
					)}
					<Refusal error={loose} />
				</div>
				<div className="flex flex-col gap-4 max-xl:order-first">
					<div className="grid grid-cols-[170px_1fr] items-start gap-4">
						<HeldPicture held={form.held} push={form.push > 0} />
						<Pick
							label="It is held"
							value={form.held === "" ? "four" : form.held}
							onChange={(h) => set({ ...form, held: h === "four" ? "" : h })}
							options={[
								{ value: "four", label: "on four sides" },
								{ value: "three", label: "on three, top free" },
								{ value: "two", label: "above and below" },
								{ value: "round", label: "all round, a disc" },
							]}
						/>
					</div>
					<div className="grid grid-cols-2 gap-3">
						<TextField
							label={form.held === "round" ? "diameter" : "width"}
							value={form.w}
							onChange={(w) => set({ ...form, w })}
							error={at("w")}
						/>
						{form.held !== "round" && (
							<TextField
								label="height"
								value={form.h}
								onChange={(h) => set({ ...form, h })}
								error={at("h")}
							/>
						)}
						<MaterialField
							label="of"
							value={form.material}
							materials={materials}
							onChange={(material) => set({ ...form, material })}
							error={at("material")}
						/>
						<ThicknessField
							label="thick, mm"
							value={form.thickness}
							material={material}
							onChange={(thickness) => set({ ...form, thickness })}
							error={at("thickness")}
						/>
						{loads.map((l) => (
							<NumberField
								key={l.key}
								label={l.label}
								value={form[l.key]}
								onChange={(v) => set({ ...form, [l.key]: v })}
								error={at(l.key)}
							/>
						))}
					</div>
					<Tick
						checked={form.lying}
						onChange={(lying) => set({ ...form, lying })}
					>
						It lies and carries its own weight
					</Tick>
					<div>
						<Button kind="quiet" onClick={clear}>
							Start afresh
						</Button>
					</div>
				</div>
			</div>
		</section>
	);
}
