import type { VanLoad } from "../api/types";

/** Panes and parts with how much of each: 2 × rope, 1.5 m of seal. */
export function PartLines({ parts }: { parts: VanLoad["parts"] }) {
	return (
		<ul>
			{parts.map((p) => (
				<li key={p.key} className="border-b border-rule py-1.5">
					<span className="font-figure font-semibold">
						{p.milli / 1000} {p.unit === "pc" ? "×" : p.unit}
					</span>{" "}
					{p.text}
				</li>
			))}
		</ul>
	);
}
