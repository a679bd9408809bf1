import type { Figure } from "../api/types";

const tones: Record<Figure["verdict"], string> = {
	good: "text-now",
	note: "text-ink-2",
	warn: "text-warn",
	stop: "text-stop",
};

/** How far beyond the larger of value and limit the scale goes. */
const room = 1.35;

/**
 * The margin of a figure: the forbidden part hatched, the limit a stroke, what
 * the trade likes a dotted one, the value a pointer. Its words stand beside it, so it is hidden from readers.
 */
export function Scale({ figure }: { figure: Figure }) {
	const { limit, wish, value } = figure;
	if (!limit || limit.unit === "") return null;
	const low = Math.min(0, value);
	const high =
		Math.max(value, limit.value, wish?.value ?? 0, low + 0.001) * room;
	const at = (v: number) => ((v - low) / (high - low)) * 100;
	const bad =
		limit.sense === "at-least"
			? { left: 0, width: at(limit.value) }
			: { left: at(limit.value), width: 100 - at(limit.value) };
	return (
		<div aria-hidden="true" className="relative mt-1.5 h-5">
			<div className="absolute inset-x-0 top-3.5 border-t border-ink-3" />
			<div
				className="hatched absolute top-2 h-3"
				style={{ left: `${bad.left}%`, width: `${bad.width}%` }}
			/>
			<div
				className="absolute top-1.5 h-4 w-0.5 bg-ink"
				style={{ left: `${at(limit.value)}%` }}
			/>
			{wish && (
				<div
					className="absolute top-1.5 h-4 border-l-2 border-dotted border-ink-2"
					style={{ left: `${at(wish.value)}%` }}
				/>
			)}
			<div
				className={`absolute top-0 -ml-2 ${tones[figure.verdict]}`}
				style={{ left: `${at(value)}%` }}
			>
				<svg width="16" height="12" viewBox="0 0 16 12" aria-hidden="true">
					<path d="M0 0h16L8 12z" fill="currentColor" />
				</svg>
			</div>
		</div>
	);
}
