import { lazy, memo, Suspense } from "react";
import type { Ask, View } from "../../api/types";
import { FigureLine } from "../../parts/FigureLine";
import { figuresOf } from "./column";
import { columnFiles } from "./columns";
import { Timers } from "./hold/Timers";
import { OrderLine } from "./measure/OrderLine";
import { StepList } from "./StepList";

type Props = {
	ask: Ask;
	view: View;
	station: string;
	onPlace: (place: string) => void;
};

const columns = Object.fromEntries(
	Object.entries(columnFiles).map(([station, load]) => [station, lazy(load)]),
);

/** The column beside the table: problems first, then the answer, then the work. */
export const Reckoning = memo(function Reckoning({
	view,
	station,
	ask,
	onPlace,
}: Props) {
	const { loud, calm } = figuresOf(view);
	const measure = station === "measure";
	const sized = measure || station === "source";
	const Column = columns[station];
	const steps = (
		<>
			<Timers key={`clocks ${view.pane.id}`} view={view} station={station} />
			<StepList view={view} station={station} here={ask.key} />
		</>
	);
	return (
		<section
			aria-label="Reckoning"
			// biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by the keyboard
			tabIndex={0}
			className="relative shrink-0 border-rule px-4 pt-3 pb-8 max-lg:border-t-2 sm:px-5 lg:row-span-2 lg:overflow-y-auto lg:border-l-2"
		>
			<Problems view={view} onPlace={onPlace} />
			<Suspense fallback={<p role="status">Opening …</p>}>
				{Column && (
					<Column
						view={view}
						station={station}
						steps={steps}
						onPlace={onPlace}
					/>
				)}
			</Suspense>
			{!sized && (
				<div className="mt-5">
					<OrderLine view={view} small />
				</div>
			)}
			{!measure && loud.length + calm.length > 0 && (
				<details className="mt-5">
					<summary className="min-h-11 cursor-pointer content-center font-semibold">
						{loud.length + calm.length} numbers of the pane
						{loud.length > 0 && (
							<span className="text-stop">, {loud.length} to look at</span>
						)}
					</summary>
					{[...loud, ...calm].map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
				</details>
			)}
		</section>
	);
});

/** Readings that cannot be right, each a way to its place. */
function Problems({
	view,
	onPlace,
}: {
	view: View;
	onPlace: (p: string) => void;
}) {
	const { odd } = view.reckoning.fit;
	const fault = view.reckoning.fault;
	const list = odd.map((o) => ({ place: o.place, words: o.sentence }));
	if (fault) {
		list.unshift({
			place: fault.field,
			words: `${fault.why}; ${fault.cure}.`,
		});
	}
	return list.map((p) => (
		<button
			key={p.place}
			type="button"
			onClick={() => onPlace(p.place)}
			className="mb-2 block w-full border-l-8 border-stop bg-stop-wash px-3 py-2 text-left"
		>
			<strong className="text-stop">Stop.</strong> {p.words}{" "}
			<span className="underline underline-offset-4">Go there</span>
		</button>
	));
}
