import type { DaysSum, Tried } from "../../api/types";
import { Button } from "../../parts/Button";

/** What was tried in one line: the days now and then, and whether it is so. */
export function TriedBand({
	tried,
	busy,
	onSo,
	onLeave,
}: {
	tried: Tried;
	busy: boolean;
	onSo: () => void;
	onLeave: () => void;
}) {
	return (
		<div
			className="flex min-w-0 flex-1 flex-wrap items-center justify-between gap-x-4 gap-y-1 bg-tape px-4 py-2 text-on-tape sm:px-6"
			data-tried
		>
			<strong className="text-lg">{costs(tried.now, tried.then)}</strong>
			<span className="flex gap-3">
				<Button kind="quiet" className="text-on-tape!" onClick={onLeave}>
					Leave it as it was
				</Button>
				{tried.so && (
					<button
						type="button"
						className="min-h-12 shrink-0 border-2 border-on-tape px-5 font-bold disabled:opacity-60"
						disabled={busy}
						onClick={onSo}
						data-so
					>
						Make this the plan
					</button>
				)}
			</span>
		</div>
	);
}

/** What it costs, in a sentence. */
function costs(now: DaysSum, then: DaysSum): string {
	const said = gain(now, then);
	return said === "" ? "It costs no promise" : `Then: ${said}`;
}

/** The difference between two plans; empty where there is none. */
export function gain(now: DaysSum, then: DaysSum): string {
	const parts: string[] = [];
	const late = then.late - now.late;
	if (Math.abs(late) >= 0.05)
		parts.push(`${long(Math.abs(late))} ${late > 0 ? "more" : "less"} late`);
	const unsafe = then.unsafe - now.unsafe;
	if (unsafe !== 0)
		parts.push(
			unsafe > 0
				? `${unsafe} more ${unsafe === 1 ? "promise is" : "promises are"} not safe`
				: `${-unsafe} more ${unsafe === -1 ? "promise is" : "promises are"} safe`,
		);
	if (then.left > now.left)
		parts.push(`no time for ${then.left - now.left} more steps`);
	return parts.join(", ");
}

/** Hours as one says them of all jobs together. */
function long(hours: number): string {
	if (hours >= 48) return `${Math.round(hours / 24)} days`;
	return hours >= 2
		? `${Math.round(hours)} h`
		: `${Math.round(hours * 60)} min`;
}
