import { Link } from "react-router";
import { type CutTools, useSpares } from "../../api/cutRoom";
import type { CutGroup, CutPin, CutView, ToCut } from "../../api/types";
import { Inches } from "../../app/Inches";
import { when } from "../../app/when";
import { Button } from "../../parts/Button";
import { FigureLine } from "../../parts/FigureLine";
import { Refusal } from "../../parts/Refusal";

/** The next cut, large; what it gives; what the plan is worth. */
export function CutColumn({
	group,
	tools,
	sheet,
	picked,
	pins,
	onPin,
	onUnpin,
}: {
	group: CutGroup;
	tools: CutTools;
	sheet: number;
	picked?: string;
	pins: CutPin[];
	onPin: (piece: string, c: Partial<CutPin>) => void;
	onUnpin: () => void;
}) {
	const { plan } = group;
	const shaped = [...group.panes, ...Object.values(plan?.panes ?? {})].some(
		(p) => p.shaped,
	);
	return (
		<aside className="flex min-w-0 flex-col gap-4 border-rule px-4 py-4 lg:overflow-y-auto lg:border-l-2 lg:px-5">
			{plan?.next && (
				<section aria-label="The next cut">
					<p className="text-ink-2">
						{plan.next.trim
							? "The damaged edge"
							: `Cut ${plan.next.number} of ${plan.next.of}`}{" "}
						on {plan.tubes ? "tube" : "sheet"} {plan.next.sheet + 1}
					</p>
					<p
						className="font-figure text-[2.75rem] leading-12 font-semibold"
						data-measure
					>
						<Inches>{`${plan.next.at.main} ${plan.next.at.unit}`}</Inches>
					</p>
					<p className="text-ink-2">{plan.next.at.other}</p>
					<p className="text-lg">
						{plan.next.from}; {plan.next.do}
					</p>
					<p className="mt-2">
						<strong>Gives</strong> {plan.next.gives.join("; ")}
						{plan.next.rest > 0 &&
							`; the rest stays for ${plan.next.rest} more`}
					</p>
				</section>
			)}
			{plan && picked && plan.panes[picked] && (
				<Picked
					plan={plan}
					piece={picked}
					sheet={sheet}
					pin={pins.find((p) => p.piece === picked)}
					tools={tools}
					onPin={onPin}
				/>
			)}
			{plan && <Worth plan={plan} />}
			{plan && pins.length > 0 && (
				<Button kind="quiet" disabled={tools.pending} onClick={onUnpin}>
					without what was pinned
				</Button>
			)}
			{plan && tools.error && <Refusal error={tools.error} />}
			{plan && group.panes.length > 0 && (
				<section aria-label="Beside the plan">
					<h2 className="font-semibold">Beside the plan</h2>
					<p className="text-ink-2">
						{group.panes.length} more came since.{" "}
						{plan.made.length === 0 && (
							<button
								type="button"
								className="min-h-11 underline underline-offset-4"
								onClick={() => tools.plan(group)}
							>
								Plan all anew
							</button>
						)}
					</p>
				</section>
			)}
			{!plan && (
				<Unsaid panes={group.panes.filter((p) => p.unsaid)} tools={tools} />
			)}
			{!plan && (
				<ol className="border-t border-rule">
					{group.panes.map((p) => (
						<li key={p.piece} className="border-b border-rule py-2">
							<Waits pane={p} />
						</li>
					))}
				</ol>
			)}
			<Blanks
				key={`${group.material} ${shaped}`}
				group={group}
				shaped={shaped}
			/>
		</aside>
	);
}

/** A pane that waits, with its size. */
function Waits({ pane }: { pane: ToCut }) {
	return (
		<Link
			to={`/jobs/${pane.job}/source?pane=${pane.pane}`}
			className="block hover:bg-now-wash"
		>
			<strong>{pane.object}</strong>
			{pane.name && `, ${pane.name}`}
			<span className="block text-ink-2">
				{pane.size}
				{pane.shaped && ", a shape: broken out of its blank"}
				{pane.promised_at && ` · ${when(pane.promised_at)}`}
			</span>
		</Link>
	);
}

/** Panes of which nobody said that they are cut here: their size is one for a glass shop. */
function Unsaid({ panes, tools }: { panes: ToCut[]; tools: CutTools }) {
	const first = panes[0];
	if (!first) return null;
	return (
		<section aria-label="Who cuts it" data-unsaid={panes.length}>
			<p className="text-ink-2">
				{panes.length === 1 ? "One is" : `${panes.length} are`} sized as{" "}
				{first.keeps}: keep to that, or
			</p>
			<Button
				className="mt-1"
				disabled={tools.pending}
				onClick={() => tools.here(panes)}
			>
				Size for cutting here
			</Button>
		</section>
	);
}

/** How many blanks it takes to have a good one, by what came out good in these hands. */
function Blanks({ group, shaped }: { group: CutGroup; shaped: boolean }) {
	const spares = useSpares(group, shaped);
	if (!spares.data) return null;
	const { blanks, ladder, figure, by } = spares.data;
	return (
		<section aria-label="Blanks" data-blanks={blanks}>
			<h2 className="font-semibold">
				{blanks === 1
					? "One blank to get one good pane"
					: `Glass for ${blanks} blanks to get one good pane`}
			</h2>
			<p className="text-ink-2">
				{(ladder ?? [])
					.map((r) => `${r.blanks}: ${Math.floor(r.chance * 1000) / 10} in 100`)
					.join(", ")}
				, {by}
			</p>
			<FigureLine figure={figure} />
		</section>
	);
}

/** A pane that was tapped: turned, or held where it lies. */
function Picked({
	plan,
	piece,
	sheet,
	pin,
	tools,
	onPin,
}: {
	plan: CutView;
	piece: string;
	sheet: number;
	pin?: CutPin;
	tools: CutTools;
	onPin: (piece: string, c: Partial<CutPin>) => void;
}) {
	const pane = plan.panes[piece];
	const turned = plan.plan.sheets.some((s) => lies(s.root, piece));
	const here = plan.plan.sheets[sheet]?.stock;
	const others = Object.keys(plan.stocks).filter((k) => k !== here);
	return (
		<section
			aria-label="The pane that was tapped"
			className="border-l-4 border-now pl-3"
		>
			<p className="font-semibold">
				{pane?.object}
				{pane?.name && `, ${pane.name}`}
			</p>
			<div className="mt-1 flex flex-wrap gap-2">
				{pane?.turn && (
					<Button
						disabled={tools.pending}
						onClick={() => onPin(piece, { lie: turned ? "as-is" : "turned" })}
					>
						Turn it
					</Button>
				)}
				<Button
					disabled={tools.pending || pin?.on === here}
					onClick={() => onPin(piece, { on: here })}
				>
					{pin?.on === here ? "Pinned to this sheet" : "Pin it to this sheet"}
				</Button>
				{others.slice(0, 4).map((k) => (
					<Button
						key={k}
						kind="quiet"
						disabled={tools.pending}
						onClick={() => onPin(piece, { on: k })}
					>
						to {plan.stocks[k]}
					</Button>
				))}
			</div>
		</section>
	);
}

function lies(
	n: CutView["plan"]["sheets"][number]["root"],
	piece: string,
): boolean {
	if (n.kind === "piece") return n.piece === piece && n.turned === true;
	return (n.a ? lies(n.a, piece) : false) || (n.b ? lies(n.b, piece) : false);
}

function Worth({ plan }: { plan: CutView }) {
	const { plan: p } = plan;
	const placed = Object.keys(plan.panes).length - p.left.length;
	return (
		<section aria-label="This plan" data-plan-worth={p.sheets.length}>
			<h2 className="font-semibold">This plan</h2>
			<p>
				{placed} of {Object.keys(plan.panes).length}{" "}
				{plan.tubes ? "lengths" : "panes"} from{" "}
				{p.sheets.length === 1
					? `one ${plan.tubes ? "tube" : "sheet"}`
					: `${p.sheets.length} ${plan.tubes ? "tubes" : "sheets"}`}
				{p.proved && "; proved: no plan needs less"}
			</p>
			{plan.figures?.map((f) => (
				<FigureLine key={f.key} figure={f} />
			))}
			<p className="flex gap-x-4 text-ink-2">
				{["pdf", "svg", "dxf", "csv"].map((k) => (
					<a
						key={k}
						className="min-h-11 content-center underline underline-offset-4"
						href={`/api/cut-room/plans/${plan.id}/plan.${k}`}
					>
						{k.toUpperCase()}
					</a>
				))}
			</p>
			{p.left.map((l) => (
				<p
					key={l.piece}
					className="mt-1 border-l-4 border-stop bg-stop-wash pl-2 text-stop"
				>
					<strong>{plan.panes[l.piece]?.object ?? l.piece}:</strong> {l.why}.
				</p>
			))}
			{plan.broken.map((b) => (
				<p key={b.why} role="alert" className="text-stop">
					This plan cannot be cut: {b.why}
				</p>
			))}
		</section>
	);
}
