import { useHeldWrite } from "../../../api/panes";
import type { View } from "../../../api/types";
import { Inches } from "../../../app/Inches";
import { Button } from "../../../parts/Button";
import { FigureLine } from "../../../parts/FigureLine";
import { Refusal } from "../../../parts/Refusal";
import { heldOf } from "../sheets/held";

/** Eighths of a turn as they are said: 1 1/8. */
function said(n: number): string {
	const whole = Math.floor(n / 8);
	const part = ["", "1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8"][n % 8];
	if (!part) return String(whole);
	return whole === 0 ? part : `${whole} ${part}`;
}

/** Each screw counted from its first touch, an eighth a tap, as numbered on the drawing. */
export function ScrewTurns({ view }: { view: View }) {
	const { sides } = view.pane;
	const count = sides.top + sides.right + sides.bottom + sides.left;
	const turns = Array.from(
		{ length: count },
		(_, n) => view.pane.turns?.[n] ?? 0,
	);
	const write = useHeldWrite(view);
	const { figures, family } = view.reckoning;
	if (family.tightening === "" || count === 0) return null;
	const wanted = figures.find((f) => f.key === "turns");
	const even = figures.find((f) => f.key === "turns_even");
	const set = (n: number, by: number) =>
		write.mutate({
			...heldOf(view),
			turns: turns.map((t, i) => (i === n ? Math.max(0, t + by) : t)),
		});
	return (
		<section aria-label="Turns after the first touch" className="mt-5">
			<h2 className="font-semibold">Turns after the first touch</h2>
			{wanted && <FigureLine figure={wanted} />}
			<ol className="mt-1 grid grid-cols-2 gap-x-4">
				{turns.map((t, n) => (
					<li
						// biome-ignore lint/suspicious/noArrayIndexKey: a screw is its number
						key={n}
						data-screw={n + 1}
						className="flex items-center gap-2 border-b border-rule py-1"
					>
						<span className="w-5 font-semibold">{n + 1}</span>
						<span className="font-figure min-w-0 flex-1 text-xl font-semibold">
							{t === 0 ? "–" : <Inches>{said(t)}</Inches>}
						</span>
						{!view.job.signed && (
							<>
								<Button
									className="min-w-12 whitespace-nowrap px-1"
									aria-label={`screw ${n + 1}, an eighth back`}
									disabled={t === 0 || write.isPending}
									onClick={() => set(n, -1)}
								>
									−
								</Button>
								<Button
									className="min-w-12 whitespace-nowrap px-1"
									aria-label={`screw ${n + 1}, an eighth more`}
									disabled={write.isPending}
									onClick={() => set(n, 1)}
								>
									+⅛
								</Button>
							</>
						)}
					</li>
				))}
			</ol>
			{even && <FigureLine figure={even} />}
			<Refusal error={write.error} />
		</section>
	);
}
