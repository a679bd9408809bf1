import type { DayStep } from "../../api/types";
import { clock } from "../../app/when";
import type { Heap } from "./heaps";

/** Short pieces of a lane as one, with how many they are. */
export function HeapBlock({
	heap,
	picked,
	onPick,
}: {
	heap: Heap;
	picked?: DayStep;
	onPick: (steps: DayStep[]) => void;
}) {
	const { steps } = heap;
	const here = steps.some((s) => s.key === picked?.key);
	const first = steps[0];
	const last = steps.at(-1);
	if (!first || !last) return null;
	return (
		<li className="absolute top-1.5" style={{ left: heap.x, width: heap.w }}>
			<button
				type="button"
				aria-pressed={here}
				onClick={() => onPick(steps)}
				data-heap={steps.map((s) => s.key).join(" ")}
				className={`block h-[62px] w-full overflow-hidden border-l-4 border-double border-now px-1 text-left text-[0.8125rem] leading-[1.15] ${here ? "bg-now text-on-now" : "bg-now-wash text-ink"}`}
			>
				<strong className="font-figure block text-xl leading-6">
					{steps.length}
				</strong>
				<span className="sr-only">
					{" "}
					short pieces, {clock(first.from)} to {clock(last.to)}
				</span>
				{heap.w > 60 && (
					<span aria-hidden="true" className="block truncate">
						{first.title}, …
					</span>
				)}
			</button>
		</li>
	);
}

/** What lies in a heap: each piece a key. */
export function HeapList({
	steps,
	onPick,
	onLeave,
}: {
	steps: DayStep[];
	onPick: (s: DayStep) => void;
	onLeave: () => void;
}) {
	return (
		<section
			aria-label="Short pieces"
			className="mx-4 my-3 border-l-4 border-now pl-4 sm:mx-7"
			data-heap-list
		>
			<ol>
				{steps.map((s) => (
					<li key={s.key} className="border-b border-rule">
						<button
							type="button"
							className="grid min-h-12 w-full grid-cols-[4rem_1fr] items-center gap-x-3 py-1.5 text-left hover:bg-now-wash"
							onClick={() => onPick(s)}
						>
							<span className="font-figure font-semibold">{clock(s.from)}</span>
							<span>
								<strong className="font-semibold">{s.title}</strong>
								<span className="text-ink-2">
									{s.object && `, ${s.object}`}
									{s.with.length > 0 && `, with ${s.with.join(" and ")}`}
								</span>
							</span>
						</button>
					</li>
				))}
			</ol>
			<button
				type="button"
				className="min-h-12 underline underline-offset-4"
				onClick={onLeave}
			>
				close
			</button>
		</section>
	);
}
