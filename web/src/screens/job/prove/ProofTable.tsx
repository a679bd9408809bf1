import { Engaged, isEngaged } from "../../../bench/Engaged";
import { Evenness } from "../../../bench/Evenness";
import { gapPlaces } from "../../../bench/gaps";
import { useSize } from "../../../bench/useSize";
import { Ground } from "../table/Ground";
import { PartTable } from "../table/PartTable";
import type { TableProps } from "../table/props";
import { GapFields } from "./GapFields";

const signs: Record<string, string> = {
	pass: "✓",
	fail: "✗",
	"not-applicable": "–",
};

/** How high the table is at least for anything to be drawn on it, px. */
const least = 90;

/** The gap round the pane as it should be, and every check at its place. */
export default function ProofTable({ view, ask }: TableProps) {
	const [ref, size] = useSize<HTMLDivElement>();
	const { reckoning, checks } = view;
	const wide = size.w > 620;
	const width = Math.max(80, wide ? size.w * 0.6 : size.w);
	const open = checks.find((c) => c.key === ask.key);
	const asked =
		open?.spread && open.outcome === "" && !view.job.signed ? open : undefined;
	const read = asked
		? undefined
		: checks.find((c) => (c.gaps?.length ?? 0) === gapPlaces.length);
	const engaged = isEngaged(reckoning);
	// On a road without a size there is no gap to draw.
	const { sized } = reckoning.road;
	const says = !sized
		? "what came, and what goes where"
		: asked
			? "read the gap at eight places, or the spread alone in the line"
			: engaged
				? "how much of it stands in each end"
				: read
					? "the gap all round as it was read, drawn wide"
					: "the gap all round as it should be, drawn wide";
	const Picture = engaged && !asked ? Engaged : Evenness;
	return (
		<Ground says={says + (wide ? "; each check beside it" : "")}>
			<div ref={ref} className="absolute inset-0">
				{!sized ? (
					<div className="absolute inset-y-0 left-0" style={{ width }}>
						<PartTable view={view} narrow />
					</div>
				) : (
					<svg
						width={width}
						height={size.h}
						role="img"
						aria-label={
							read
								? `gaps as they were read, clockwise from the top left: ${read.gaps_got?.join(", ")} ${read.asks}`
								: engaged
									? says
									: `clearance ${reckoning.gap_w.main} ${reckoning.gap_w.unit} at the sides, ${reckoning.gap_h.main} ${reckoning.gap_h.unit} above and below`
						}
					>
						{size.h > least && (
							<Picture
								reckoning={reckoning}
								read={read}
								width={width}
								height={size.h}
							/>
						)}
					</svg>
				)}
				{asked && (
					<GapFields
						key={asked.key}
						view={view}
						check={asked}
						width={width}
						height={size.h}
					/>
				)}
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
									{c.got && <span className="font-figure"> {c.got}</span>}
								</span>
							</li>
						))}
					</ol>
				)}
			</div>
		</Ground>
	);
}
