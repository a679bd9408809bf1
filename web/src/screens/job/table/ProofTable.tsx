import { Evenness } from "../../../bench/Evenness";
import { useSize } from "../../../bench/useSize";
import { Ground } from "./Ground";
import type { TableProps } from "./StationTable";

const signs: Record<string, string> = {
	pass: "✓",
	fail: "✗",
	"not-applicable": "–",
};

/** The gap round the pane as it should be, and every check at its place. */
export default function ProofTable({ view, ask }: TableProps) {
	const [ref, size] = useSize<HTMLDivElement>();
	const { reckoning, checks } = view;
	const wide = size.w > 620;
	const width = Math.max(80, wide ? size.w * 0.6 : size.w);
	return (
		<Ground
			says={`the gap all round as it should be, drawn wide${wide ? "; each check beside it" : ""}`}
		>
			<div ref={ref} className="absolute inset-0">
				<svg
					width={width}
					height={size.h}
					role="img"
					aria-label={`clearance ${reckoning.fit.gap.w.toFixed(1)} mm at the sides, ${reckoning.fit.gap.h.toFixed(1)} mm above and below`}
				>
					<Evenness reckoning={reckoning} width={width} height={size.h} />
				</svg>
				{wide && (
					<ol className="absolute inset-y-0 right-0 w-[40%] overflow-y-auto px-4">
						{checks.map((c) => (
							<li
								key={c.key}
								data-proof={c.key}
								className={`flex gap-3 border-b border-rule py-1.5 ${c.key === ask.key ? "font-semibold" : ""}`}
							>
								<span
									className={`w-6 shrink-0 text-center text-xl leading-6 font-bold ${c.outcome === "fail" ? "text-stop" : "text-now"}`}
								>
									{signs[c.outcome] ?? (c.key === ask.key ? "›" : "○")}
								</span>
								<span className={c.outcome === "" ? "" : "text-ink-2"}>
									{c.text}
									{c.value !== undefined && (
										<span className="font-figure">
											{" "}
											{c.value} {c.unit}
										</span>
									)}
								</span>
							</li>
						))}
					</ol>
				)}
			</div>
		</Ground>
	);
}
