import type { Caution } from "../api/types";

/** A caution with its reason; never a wall of text, never switched off. */
export function CautionLine({ caution }: { caution: Caution }) {
	return (
		<li className="flex gap-2 py-1">
			<svg
				aria-hidden="true"
				viewBox="0 0 20 18"
				className="mt-0.5 h-5 w-6 shrink-0 text-warn"
			>
				<path
					d="M10 1 19 17H1z"
					fill="none"
					stroke="currentColor"
					strokeWidth="2"
				/>
				<path d="M10 6v5m0 2.5v1" stroke="currentColor" strokeWidth="2" />
			</svg>
			<span>
				<strong className="text-warn">{caution.title}.</strong> {caution.text}{" "}
				<span className="text-ink-2">{caution.reason}</span>
			</span>
		</li>
	);
}
