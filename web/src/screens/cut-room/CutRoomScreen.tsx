import { useState } from "react";
import { Link, useParams } from "react-router";
import { type CutTools, glassKey, useCutRoom } from "../../api/cutRoom";
import type { CutGroup, CutPin } from "../../api/types";
import { Band } from "../../app/Band";
import { Title } from "../../app/Title";
import { useInSight } from "../../app/useInSight";
import { when } from "../../app/when";
import { SheetDrawing } from "../../bench/SheetDrawing";
import { TubeDrawing } from "../../bench/TubeDrawing";
import { useSize } from "../../bench/useSize";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";
import { CutColumn } from "./CutColumn";
import { CutLine } from "./CutLine";

/** What is cut here: glass by glass, sheet by sheet, cut by cut. */
export function CutRoomScreen() {
	const tools = useCutRoom();
	const { group } = useParams();
	const groups = tools.room.data?.groups ?? [];
	const here = groups.find((g) => glassKey(g) === group) ?? groups[0];
	const row = useInSight<HTMLElement>(here ? glassKey(here) : "");
	return (
		<div className="flex h-full flex-col">
			<Title of="Cut room" />
			<header className="px-4 pt-3 sm:px-7">
				<div className="flex flex-wrap items-baseline justify-between gap-x-6">
					<h1 className="text-[1.375rem] font-semibold">Cut room</h1>
					{here?.due && (
						<p className="text-ink-2">
							first wanted{" "}
							<strong className="text-ink">{when(here.due)}</strong>
						</p>
					)}
				</div>
				<nav
					ref={row}
					aria-label="Glass to cut"
					className="flex gap-x-1 overflow-x-auto"
				>
					{groups.map((g) => (
						<Link
							key={glassKey(g)}
							to={`/cut-room/${glassKey(g)}`}
							aria-current={g === here ? "page" : undefined}
							className={`grid min-h-12 shrink-0 place-items-center border-b-4 px-3 ${g === here ? "border-now font-semibold text-now" : "border-transparent text-ink-2"}`}
						>
							<span>
								{g.called}{" "}
								<strong className="font-figure">
									{g.panes.length + Object.keys(g.plan?.panes ?? {}).length}
								</strong>
							</span>
						</Link>
					))}
				</nav>
			</header>
			{tools.room.isError && (
				<p role="alert" className="px-4 sm:px-7">
					{tools.room.error.message}
				</p>
			)}
			{tools.room.data && !here && <Nothing />}
			{here ? (
				<Glass key={glassKey(here)} group={here} tools={tools} />
			) : (
				<Band />
			)}
		</div>
	);
}

function Nothing() {
	return (
		<main className="min-h-0 flex-1 overflow-y-auto px-4 py-6 sm:px-7">
			<p className="max-w-[24em] text-3xl font-semibold">
				Nothing waits to be cut here.
			</p>
			<p className="mt-3 max-w-[40em] text-lg text-ink-2">
				A pane comes here by itself when its size and its material are chosen
				and it is cut in the house: say four greenhouse lights of 3 mm glass
				become one plan of one sheet, cut by cut.
			</p>
		</main>
	);
}

/** One glass: the sheet that is being cut, its column, its line. */
function Glass({ group, tools }: { group: CutGroup; tools: CutTools }) {
	const [ref, size] = useSize<HTMLDivElement>();
	const [looked, setLooked] = useState<number | null>(null);
	const [picked, setPicked] = useState<string>();
	const [pins, setPins] = useState<CutPin[]>([]);
	const { plan } = group;
	const sheet = looked ?? plan?.next?.sheet ?? 0;
	const begun = (plan?.made.length ?? 0) > 0;
	function pin(piece: string, c: Partial<CutPin>) {
		const had = pins.find((p) => p.piece === piece) ?? { piece };
		const next = [...pins.filter((p) => p.piece !== piece), { ...had, ...c }];
		setPins(next);
		tools.plan(group, next);
	}
	return (
		<>
			<main className="flex min-h-0 flex-1 flex-col overflow-y-auto border-t border-rule lg:grid lg:grid-cols-[1fr_432px] lg:overflow-hidden">
				<div className="lit flex min-h-[320px] min-w-0 flex-none flex-col lg:min-h-0">
					{plan && plan.plan.sheets.length > 1 && (
						<div className="flex flex-wrap gap-x-1 px-3">
							{plan.plan.sheets.map((s, n) => (
								<button
									key={`${s.stock}/${s.copy}`}
									type="button"
									aria-pressed={n === sheet}
									onClick={() => {
										setLooked(n);
										setPicked(undefined);
									}}
									className="min-h-12 border-b-4 border-transparent px-3 text-ink-2 aria-pressed:border-ink aria-pressed:font-semibold aria-pressed:text-ink"
								>
									{plan.tubes ? "tube" : "sheet"} {n + 1} of{" "}
									{plan.plan.sheets.length}
								</button>
							))}
						</div>
					)}
					{plan && (
						<p className="px-4 pt-2 text-[0.9375rem] text-ink-2 sm:px-7">
							{plan.stocks[plan.plan.sheets[sheet]?.stock ?? ""]}, drawn from
							its {plan.tubes ? "left end" : "lower left corner"}
						</p>
					)}
					<div ref={ref} className="relative min-h-[260px] flex-1">
						{plan?.tubes ? (
							<div className="absolute inset-0">
								<TubeDrawing plan={plan} sheet={sheet} size={size} />
							</div>
						) : plan ? (
							<div className="absolute inset-0">
								<SheetDrawing
									plan={plan}
									sheet={sheet}
									size={size}
									picked={picked}
									onPick={
										begun
											? undefined
											: (p) => setPicked(p === picked ? undefined : p)
									}
								/>
							</div>
						) : (
							<div className="p-6">
								<p className="max-w-[24em] text-2xl font-semibold">
									{group.panes.length} of {group.called}{" "}
									{group.panes.length === 1 ? "waits" : "wait"} to be cut.
								</p>
								<p className="mt-2 max-w-[36em] text-ink-2">
									{group.stock.length === 0
										? `There is no ${group.outside ? "length" : "sheet and no offcut"} of it in the stores: take one in, or order ${group.outside ? "the tubes" : "the panes"}.`
										: `From ${group.stock.length === 1 ? "one kind" : `${group.stock.length} kinds`} of ${group.outside ? "length" : "sheet and offcut"} in the stores.`}
								</p>
								<Refusal error={tools.error} />
								{group.stock.length === 0 ? (
									<Link
										to="/stores"
										className="mt-4 inline-flex min-h-12 items-center border-2 border-ink px-5 font-semibold"
									>
										See the stores
									</Link>
								) : (
									<Button
										className="mt-4"
										disabled={tools.pending}
										onClick={() => tools.plan(group)}
									>
										Plan the cuts
									</Button>
								)}
							</div>
						)}
					</div>
				</div>
				<CutColumn
					group={group}
					tools={tools}
					sheet={sheet}
					picked={begun ? undefined : picked}
					pins={pins}
					onPin={pin}
					onUnpin={() => {
						setPins([]);
						setPicked(undefined);
						tools.plan(group);
					}}
				/>
			</main>
			<CutLine
				group={group}
				tools={tools}
				onDone={() => {
					setLooked(null);
					setPicked(undefined);
				}}
			/>
		</>
	);
}
