import type { Refused } from "../../api/refused";
import { PlainDrawing } from "../../bench/PlainDrawing";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { FigureLine } from "../../parts/FigureLine";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { Stepper } from "../../parts/Stepper";
import { LayOutline } from "./LayOutline";
import { TraceFields } from "./TraceFields";
import { papers, useCounted, useOutline } from "./useOutline";

/** An outline of any shape: from its measures or a file; inset, area, template. */
export function OutlineSum() {
	const { form, set, shapes, result, read, save } = useOutline();
	const usual = shapes.data?.find((s) => s.kind === form.kind);
	const counted = useCounted(form.kind, usual?.counted ? form.count : 0);
	const kind = counted ?? usual;
	const refused = result.error as Refused | null;
	const at = (f: string) => refused?.problem.errors?.find((e) => e.field === f);
	const asked = [...(kind?.measures ?? []), ...(kind?.checks ?? [])];
	const placed = [...asked.map((m) => m.key), "inset"];
	const loose = refused && !placed.some(at) ? refused : null;
	const kinds = (shapes.data ?? []).map((s) => ({
		value: s.kind,
		label: s.name,
	}));
	if (form.file) kinds.push({ value: "file", label: "from the file" });
	return (
		<section aria-label="An outline">
			<h2 className="mb-3 text-2xl font-semibold">An outline</h2>
			<div className="mb-4">
				<Pick
					label="Shape"
					value={form.kind}
					options={kinds}
					onChange={(k) => set({ ...form, kind: k, count: 0 })}
				/>
			</div>
			{usual?.counted && (
				<div className="mb-4">
					<Stepper
						name={usual.counted}
						value={form.count || 6}
						least={3}
						most={24}
						onChange={(count) => set({ ...form, count })}
					/>
				</div>
			)}
			<div className="grid gap-x-10 gap-y-6 xl:grid-cols-[1fr_520px]">
				<div>
					{result.data && (
						<PlainDrawing
							drawing={result.data.drawing}
							label={`the outline, ${result.data.outline.outer.length} sides`}
						/>
					)}
					<p className="mt-2 flex flex-wrap gap-2">
						{papers.map((p) => (
							<Button
								key={p.format}
								disabled={refused !== null || save.isPending}
								onClick={() => save.mutate(p.format)}
							>
								{p.name}
							</Button>
						))}
						{result.data && (
							<LayOutline
								outline={result.data.whole}
								doubt={result.data.doubt}
								disabled={refused !== null}
								pane={form.kind === "file" && form.trace?.along === "pane"}
							/>
						)}
					</p>
					<Refusal error={save.error} />
				</div>
				<div className="flex flex-col gap-4">
					<div className="grid grid-cols-2 gap-x-3 gap-y-3">
						{asked.map((m, n) => (
							<TextField
								key={m.key}
								label={
									n >= (kind?.measures.length ?? 0)
										? `${m.name}, a check`
										: m.name
								}
								hint={m.how}
								value={form.measures[m.key] ?? ""}
								onChange={(v) =>
									set({ ...form, measures: { ...form.measures, [m.key]: v } })
								}
								error={at(m.key)}
							/>
						))}
						<TextField
							label="move every side in by"
							hint="clearance and half the band, say"
							value={form.inset}
							onChange={(inset) => set({ ...form, inset })}
							error={at("inset")}
						/>
						<Thickness
							value={form.thickness}
							onChange={(thickness) => set({ ...form, thickness })}
						/>
					</div>
					{form.kind === "file" && (
						<TraceFields
							trace={form.trace}
							say={result.data?.say}
							onChange={(trace) => set({ ...form, trace })}
						/>
					)}
					<label className="inline-flex min-h-11 cursor-pointer items-center underline underline-offset-4 focus-within:outline-3 focus-within:outline-now">
						Read it from a DXF or SVG file
						<input
							type="file"
							accept=".dxf,.svg,image/svg+xml"
							className="sr-only"
							onChange={(e) => {
								const file = e.target.files?.[0];
								e.target.value = "";
								if (file)
									read.mutate(file, {
										onSuccess: (f) =>
											set({ ...form, kind: "file", file: f, doubt: 0 }),
									});
							}}
						/>
					</label>
					<Refusal error={read.error ?? loose} />
					{result.data && !refused && (
						<div data-outline>
							{result.data.figures.map((f) => (
								<FigureLine key={f.key} figure={f} />
							))}
							<p
								className={`mt-2 border-l-4 pl-3 ${result.data.cutting.hand ? "border-now" : "border-warn"}`}
							>
								<strong>
									{result.data.cutting.hand ? "Can be cut here" : "Not by hand"}
									:
								</strong>{" "}
								{result.data.cutting.sentence}.{" "}
								<span className="text-ink-2">Common practice, no source.</span>
							</p>
						</div>
					)}
				</div>
			</div>
		</section>
	);
}

const thicknesses = [2, 3, 4, 5, 6, 8, 10];

function Thickness({
	value,
	onChange,
}: {
	value: number;
	onChange: (v: number) => void;
}) {
	return (
		<label className="flex flex-col gap-1 font-semibold">
			thickness of the glass
			<select
				value={value}
				onChange={(e) => onChange(Number(e.target.value))}
				className="min-h-12 border-b-2 border-ink bg-lit px-3 font-normal text-ink"
			>
				{thicknesses.map((t) => (
					<option key={t} value={t}>
						{t} mm
					</option>
				))}
			</select>
		</label>
	);
}
