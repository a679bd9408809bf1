import { useDeferredValue } from "react";
import { useHangSum, usePeelSum } from "../../api/sums";
import type { Spotted } from "../../api/types";
import { useDraft } from "../../app/draft";
import { PeelMap, spots } from "../../bench/PeelMap";
import { FigureLine } from "../../parts/FigureLine";
import { NumberRow } from "../../parts/NumberRow";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { Tick } from "../../parts/Tick";

const across = 12;
const down = 3;

const empty = {
	length: 120,
	width: 30,
	brush: "glass" as Spotted,
	map: Array<Spotted | "">(across * down).fill(""),
	weight: 2,
	along: 480,
	out: 400,
	gust: 30,
	latched: true,
	sheet: 0,
};

const sizes = [
	{ key: "length", label: "bond along the edge", length: true },
	{ key: "width", label: "bond across", length: true },
] as const;

const loads = [
	{ key: "weight", label: "pane with what is on it, kg" },
	{ key: "along", label: "pane along the plate", length: true },
	{ key: "out", label: "out to its free edge", length: true },
	{ key: "gust", label: "gust, m/s; 0 indoors" },
	{ key: "sheet", label: "sheet's strength, kPa; 0 silicone" },
] as const;

/** Why a bond let go, from its two faces, and what plate would carry. */
export function BondSum() {
	const [form, set] = useDraft("bond", empty);
	const asked = useDeferredValue(form);
	const seen = asked.map.filter((s) => s !== "");
	const peel = usePeelSum({
		length: asked.length,
		width: asked.width,
		spots: seen,
	});
	const hang = useHangSum({
		weight: asked.weight,
		along: asked.along,
		out: asked.out,
		gust: asked.gust,
		latched: asked.latched,
		sheet: asked.sheet,
		length: asked.length,
		width: asked.width,
	});
	const error = (f: string) => hang.error?.field(f) ?? peel.error?.field(f);
	const number = (key: string, v: number) => set({ ...form, [key]: v });
	return (
		<section aria-label="A bond that let go">
			<h2 className="text-2xl font-semibold">A bond that let go</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				Before anything is scraped: choose what a spot shows, and tap every spot
				that shows it. Both faces in one map: clean glass has its glue on the
				metal, and the other way round.
			</p>
			<NumberRow
				fields={sizes}
				values={form}
				onChange={number}
				error={error}
				className="max-w-[32em] grid-cols-2"
			/>
			<h3 className="mt-4 mb-1.5 font-semibold">The spot shows</h3>
			<Pick
				label="What the spot shows"
				value={form.brush}
				onChange={(brush) => set({ ...form, brush })}
				options={spots.map((s) => ({ value: s.id, label: s.name }))}
			/>
			<PeelMap
				across={across}
				map={form.map}
				onTap={(n) =>
					set({
						...form,
						map: form.map.map((s, i) =>
							i === n ? (s === form.brush ? "" : form.brush) : s,
						),
					})
				}
			/>
			{peel.data && seen.length > 0 && !peel.error && (
				<div className="mt-3 max-w-[48em]" data-peel={peel.data.carried}>
					<p className="text-lg font-semibold">{peel.data.says}</p>
					<p className="border-l-4 border-now pl-3">{peel.data.do}</p>
					{peel.data.figures.map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
				</div>
			)}
			<h3 className="mt-6 mb-1.5 text-xl font-semibold">
				What it had to carry, and what plate would
			</h3>
			<NumberRow
				fields={loads}
				values={form}
				onChange={number}
				error={error}
				className="max-w-[60em] sm:grid-cols-3"
			/>
			<Tick
				checked={form.latched}
				onChange={(latched) => set({ ...form, latched })}
			>
				Its free edge is latched when it blows
			</Tick>
			<Refusal
				error={
					hang.error && !hang.error.problem.errors?.length ? hang.error : null
				}
			/>
			{hang.data && !hang.error && (
				<div className="mt-2 max-w-[48em]" data-hang>
					{hang.data.map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
				</div>
			)}
		</section>
	);
}
