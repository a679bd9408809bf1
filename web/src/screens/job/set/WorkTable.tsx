import type { Item } from "../../../api/types";
import { type Eye, eyeFor } from "../../../bench/fit";
import { Screws } from "../../../bench/Screws";
import { Shapes } from "../../../bench/Shapes";
import { useSize } from "../../../bench/useSize";
import { Ground } from "../table/Ground";
import type { TableProps } from "../table/props";

const passes = ["touch", "snug", "check"];

/** What a step is about, by its words: what of the drawing is drawn strong. */
const about: [RegExp, string][] = [
	[/gasket|rope|tape|butyl|bed|bead|putty|strip|rubber|cord/i, "gasket"],
	[/block/i, "block"],
	[/point|brad|clip|bracket/i, "fixing"],
	[/pane|glass|dry run|try it/i, "pane"],
];

/** The step itself on the drawing, as large as the table. */
export default function WorkTable({ view, ask, tools }: TableProps) {
	const [ref, size] = useSize<HTMLDivElement>();
	const { table, material, plan, chain, cause } = view.reckoning;
	const eye = eyeFor(table, {
		x: 16,
		y: 10,
		w: Math.max(40, size.w - 32),
		h: Math.max(40, size.h - 20),
	});
	const step = plan.steps.find((s) => s.key === ask.key);
	const screws = ask.kind === "screw";
	const strong = about.find(([word]) => word.test(step?.title ?? ""))?.[1];
	const numbers = table.items.filter((i) => i.layer === "order");
	const plain = table.items.filter(
		(i) => i.kind !== "dim" && (i.layer !== "order" || !screws),
	);
	const middle = { x: size.w / 2, y: size.h / 2 };
	const at = step?.number ?? 0;
	const all = plan.steps.filter((s) => s.number > 0).length;
	return (
		<Ground
			says={at > 0 ? `step ${at} of ${all}, ${table.seen}` : table.seen}
			foot={
				<>
					{chain.length > 0 && (
						<p className="text-[0.9375rem] text-stop">
							<strong>This broke the last pane:</strong> {cause}
						</p>
					)}
					{screws && (
						<p className="text-[0.9375rem] text-ink-2">
							every screw started by hand first ·{" "}
							{view.reckoning.family.tightening === "crosswise"
								? "crosswise: each next one as far as can be from the last"
								: "round in order, small equal turns"}
						</p>
					)}
				</>
			}
		>
			<div ref={ref} className="absolute inset-0">
				{/* biome-ignore lint/a11y/useSemanticElements: a drawing is a group of parts, not of form fields */}
				<svg
					width={size.w}
					height={size.h}
					role="group"
					aria-label={`${ask.says}, on the drawing`}
					className="absolute inset-0"
				>
					<Shapes items={plain} eye={eye} edge={material.edge} />
					{strong && !screws && (
						<g
							data-strong={strong}
							className="[&_*]:[stroke-dasharray:none] [&_*]:[stroke-width:7px] [&_*]:[stroke:var(--now)]"
							opacity={0.8}
							fillOpacity={0.25}
						>
							<Shapes
								items={plain.filter((i) => i.layer === strong)}
								eye={eye}
								edge={material.edge}
								named={false}
							/>
						</g>
					)}
					{strong === "gasket" && !screws && <Joint items={plain} eye={eye} />}
					{screws && (
						<Screws
							numbers={numbers}
							fixings={plain.filter(
								(i) => i.layer === "fixing" && i.kind === "circle",
							)}
							eye={eye}
							at={ask.at ?? 0}
							all={false}
							onTap={() => tools.answer()}
						/>
					)}
					<g
						textAnchor="middle"
						fill="var(--ink)"
						stroke="var(--lit)"
						strokeWidth={6}
						paintOrder="stroke"
						className="pointer-events-none"
					>
						<text
							x={middle.x}
							y={middle.y}
							fontSize={size.w < 500 ? 26 : 38}
							fontWeight={700}
						>
							{screws
								? `${passes[(ask.pass ?? 1) - 1]} ${ask.at} of ${ask.of}`
								: short(ask.says, size.w)}
						</text>
						{screws && (
							<text x={middle.x} y={middle.y + 30} fontSize={17}>
								{passes
									.map((p, n) => (n + 1 < (ask.pass ?? 1) ? `${p} ✓` : p))
									.join(" · ")}
							</text>
						)}
					</g>
				</svg>
			</div>
		</Ground>
	);
}

/** Where the gasket starts and is joined: its lower corner on the left. */
function Joint({ items, eye }: { items: Item[]; eye: Eye }) {
	const run = items.find((i) => i.layer === "gasket" && i.points.length > 2);
	if (!run) return null;
	const ends = run.points.map(eye.at);
	const first = ends.reduce((best, p) =>
		p.y - p.x > best.y - best.x ? p : best,
	);
	return (
		<g data-joint>
			<path
				d={`M${first.x - 12} ${first.y}h24`}
				stroke="var(--stop)"
				strokeWidth={6}
			/>
			<text
				x={first.x + 18}
				y={first.y - 14}
				fontSize={15}
				fontWeight={700}
				fill="var(--stop)"
				stroke="var(--lit)"
				strokeWidth={4}
				paintOrder="stroke"
			>
				start and joint here
			</text>
		</g>
	);
}

/** A title that fits across the pane; the line below says it whole. */
function short(title: string, width: number): string {
	const most = Math.floor(width / 20);
	return title.length > most ? `${title.slice(0, most - 1).trimEnd()}…` : title;
}
