import { useDeferredValue } from "react";
import type { Refused } from "../../api/refused";
import { useSashSum } from "../../api/sums";
import type { FieldError, SashIn, SashOut } from "../../api/types";
import { useDraft } from "../../app/draft";
import { SashDrawing } from "../../bench/SashDrawing";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Tick } from "../../parts/Tick";
import { LaySash } from "./LaySash";

type Way = SashIn["across"];

function emptyWay(n: number): Way {
	return {
		lights: Array.from({ length: n }, () => ""),
		bars: Array.from({ length: n - 1 }, () => ""),
		first: "",
		last: "",
		whole: "",
		alike: true,
	};
}

const empty: SashIn = {
	across: emptyWay(3),
	down: emptyWay(3),
	instrument: "tape",
};

/** A sash of many lights: what could be read goes in, the broken ones come out. */
export function SashSum() {
	const [form, set, clear] = useDraft<SashIn>("sash", empty);
	const asked = useDeferredValue(form);
	const q = useSashSum(asked);
	const refused = q.error as Refused | null;
	return (
		<section>
			<h2 className="text-2xl font-semibold">A sash of many lights</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				Read what can be read and leave the broken ones empty. Lights in a
				column share a width, lights in a row a height; everything adds up to
				the sash.
			</p>
			<div className="grid gap-x-10 gap-y-6 xl:grid-cols-[1fr_520px]">
				<div>
					{q.data && (
						<SashDrawing
							across={q.data.across.parts}
							down={q.data.down.parts}
						/>
					)}
					<HowItIsSolved />
				</div>
				<div className="flex flex-col gap-6">
					<WayFields
						title="Across"
						names={[
							"left stile",
							"column",
							"bar",
							"right stile",
							"whole width",
						]}
						prefix="across"
						way={form.across}
						out={q.data?.across}
						refused={refused}
						onChange={(across) => set({ ...form, across })}
					/>
					<WayFields
						title="Down"
						names={["top rail", "row", "bar", "bottom rail", "whole height"]}
						prefix="down"
						way={form.down}
						out={q.data?.down}
						refused={refused}
						onChange={(down) => set({ ...form, down })}
					/>
					<div className="flex flex-wrap gap-3">
						<LaySash sash={form} disabled={!q.data || refused !== null} />
						<Button kind="quiet" onClick={clear}>
							Start afresh
						</Button>
					</div>
				</div>
			</div>
		</section>
	);
}

function WayFields({
	title,
	names,
	prefix,
	way,
	out,
	refused,
	onChange,
}: {
	title: string;
	names: [string, string, string, string, string];
	prefix: string;
	way: Way;
	out?: SashOut;
	refused: Refused | null;
	onChange: (w: Way) => void;
}) {
	const error = (f: string): FieldError | undefined =>
		refused?.problem.errors?.find(
			(e) =>
				e.field === `${prefix}.${f}` || e.field.startsWith(`${prefix}.${f}[`),
		);
	const put = (list: string[], i: number, v: string) =>
		list.map((x, n) => (n === i ? v : x));
	function resize(n: number) {
		const fit = (list: string[], k: number) =>
			Array.from({ length: k }, (_, i) => list[i] ?? "");
		onChange({
			...way,
			lights: fit(way.lights, n),
			bars: fit(way.bars, n - 1),
		});
	}
	const count = way.lights.length;
	return (
		<fieldset data-way={prefix}>
			<legend className="flex w-full items-center gap-3 text-lg font-semibold">
				{title}: {count} {names[1]}
				{count > 1 ? "s" : ""}
				<Button
					aria-label={`one ${names[1]} less`}
					onClick={() => resize(Math.max(1, count - 1))}
				>
					−
				</Button>
				<Button
					aria-label={`one ${names[1]} more`}
					onClick={() => resize(Math.min(40, count + 1))}
				>
					+
				</Button>
			</legend>
			<div className="mt-2 grid grid-cols-3 gap-x-3 gap-y-2">
				<TextField
					label={names[0]}
					value={way.first}
					onChange={(first) => onChange({ ...way, first })}
					error={error("first")}
				/>
				{way.lights.map((v, i) => (
					<TextField
						// biome-ignore lint/suspicious/noArrayIndexKey: the place is the name
						key={`l${i}`}
						label={`${names[1]} ${i + 1}`}
						value={v}
						onChange={(t) =>
							onChange({ ...way, lights: put(way.lights, i, t) })
						}
						error={error(`lights[${i}]`)}
						hint={hintOf(out, i, v)}
					/>
				))}
				{(way.alike ? way.bars.slice(0, 1) : way.bars).map((v, i) => (
					<TextField
						// biome-ignore lint/suspicious/noArrayIndexKey: the place is the name
						key={`b${i}`}
						label={way.alike ? names[2] : `${names[2]} ${i + 1}`}
						value={v}
						onChange={(t) => onChange({ ...way, bars: put(way.bars, i, t) })}
						error={error(`bars[${i}]`)}
					/>
				))}
				<TextField
					label={names[3]}
					value={way.last}
					onChange={(last) => onChange({ ...way, last })}
					error={error("last")}
				/>
				<TextField
					label={names[4]}
					value={way.whole}
					onChange={(whole) => onChange({ ...way, whole })}
					error={error("whole")}
				/>
			</div>
			{count > 2 && (
				<Tick
					checked={way.alike}
					onChange={(alike) => onChange({ ...way, alike })}
				>
					all bars alike
				</Tick>
			)}
			{out?.odd && (
				<p
					role="alert"
					className="border-l-8 border-stop bg-stop-wash px-3 py-2"
				>
					<strong className="text-stop">Stop.</strong> {out.odd.sentence}
					{out.odd.left_out && " The others are worked out without it."}
				</p>
			)}
			{out?.settle && (
				<p className="border-l-4 border-now pl-3" data-settle>
					One more reading would settle most: <strong>{out.settle}</strong>.
				</p>
			)}
		</fieldset>
	);
}

/** What was worked out for a light that nobody could read. */
function hintOf(out: SashOut | undefined, i: number, typed: string) {
	const l = out?.lights[i];
	if (typed !== "" || !l?.known) return undefined;
	return `${l.shown.main} ±${l.doubt.toFixed(1)}`;
}

/** The working of every size here. */
function HowItIsSolved() {
	return (
		<details className="mt-2">
			<summary className="min-h-11 cursor-pointer content-center underline underline-offset-4">
				How these are worked out
			</summary>
			<div className="border-l-2 border-computed pl-4 text-[0.9375rem]">
				<p className="font-figure text-base font-semibold text-computed">
					minimise Σ ((sum of parts − reading) / σ)², σ = half-width / √3
				</p>
				<p>
					Weighted least squares over stiles, lights and bars; a reading of the
					whole is their sum. A doubt is ±1.96 σ of the result: it holds the
					truth in 95 of 100. A half-width is the instrument's usual one (tape 1
					mm or 1/32 in: common practice, no source) unless ± is typed. A size
					that the readings do not determine stays open. A reading is odd when
					the others put it more than 4 σ away.
				</p>
			</div>
		</details>
	);
}
