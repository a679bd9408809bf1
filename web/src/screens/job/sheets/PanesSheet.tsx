import { useState } from "react";
import { useNavigate } from "react-router";
import { useDropPane, useLayout } from "../../../api/panes";
import type { Layout, PaneState, View } from "../../../api/types";
import { when } from "../../../app/when";
import { ObjectMap } from "../../../bench/ObjectMap";
import { Button } from "../../../parts/Button";
import { LayoutFields } from "../../../parts/LayoutFields";
import { Refusal } from "../../../parts/Refusal";
import { Sheet } from "../../../parts/Sheet";
import { AlikeForm } from "./AlikeForm";
import { PlacePane } from "./PlacePane";

type Props = { view: View; open: boolean; onClose: () => void };

/** The panes of the object: where each stands, and what it is held up by. */
export function PanesSheet({ view, open, onClose }: Props) {
	const go = useNavigate();
	const job = view.job.id;
	const pick = (pane: number) => {
		onClose();
		go(`/jobs/${job}?pane=${pane}`);
	};
	const drop = useDropPane(view);
	const [placing, setPlacing] = useState(false);
	if (placing) {
		return (
			<Sheet
				title="Panes of the object"
				open={open}
				onClose={() => {
					setPlacing(false);
					onClose();
				}}
			>
				<PlacePane view={view} onDone={() => setPlacing(false)} />
			</Sheet>
		);
	}
	return (
		<Sheet title="Panes of the object" open={open} onClose={onClose}>
			<div className="lit p-3">
				<ObjectMap drawing={view.object} width={440} onPick={pick} />
			</div>
			{!view.job.signed && (
				<Button className="mt-3" onClick={() => setPlacing(true)}>
					Put {view.pane.name || `pane ${view.pane.number}`} elsewhere on it
				</Button>
			)}
			<ol className="mt-3 border-t border-rule" aria-label="Panes">
				{view.panes.map((p) => (
					<li
						key={p.id}
						className="flex items-center gap-3 border-b border-rule"
					>
						<button
							type="button"
							onClick={() => pick(p.id)}
							aria-current={p.id === view.pane.id ? "true" : undefined}
							className="min-h-14 min-w-0 flex-1 py-1 text-left aria-[current]:text-now"
						>
							<span className="font-semibold">
								{p.name === `pane ${p.number}`
									? p.name
									: `${p.number} ${p.name}`}
							</span>
							<span className="block truncate text-[0.9375rem] text-ink-2">
								{says(p)}
								{p.order && ` · ${p.order}`}
							</span>
						</button>
						{p.untouched && view.panes.length > 1 && !view.job.signed && (
							<Button
								kind="quiet"
								aria-label={`take out ${p.name}`}
								disabled={drop.isPending}
								onClick={() =>
									drop.mutate(p.id, {
										onSuccess: () => {
											if (p.id === view.pane.id) go(`/jobs/${job}`);
										},
									})
								}
							>
								take out
							</Button>
						)}
					</li>
				))}
			</ol>
			<Refusal error={drop.error} />
			<AlikeForm view={view} />
			{!view.job.signed && <More key={view.panes.length} view={view} />}
		</Sheet>
	);
}

function says(p: PaneState): string {
	if (p.state === "done") return "done";
	if (p.state === "wait") {
		return `waits for ${p.waits_for}${p.waits_until ? `, ${when(p.waits_until)}` : ""}`;
	}
	return `at ${p.station}, ${p.open} open`;
}

/** How the panes stand; more of them are held as the first one is. */
function More({ view }: { view: View }) {
	const had = view.panes.length;
	const [layout, setLayout] = useState<Layout>(() => layoutOf(view));
	const write = useLayout(view, had);
	const count = layout.behind ? layout.across : layout.across * layout.down;
	return (
		<section className="mt-6">
			<h3 className="mb-2 font-semibold">How they stand</h3>
			<LayoutFields
				layout={layout}
				onChange={setLayout}
				error={write.error?.field("layout.across")}
			/>
			<div className="mt-3">
				<Button
					disabled={write.isPending || count < had}
					onClick={() => write.mutate(layout)}
				>
					{count > had ? `Add ${count - had} more` : "Lay them out so"}
				</Button>
			</div>
			{!write.error?.field("layout.across") && <Refusal error={write.error} />}
		</section>
	);
}

/** The layout that the panes have now, from their spots. */
function layoutOf(view: View): Layout {
	const spots = view.panes.map((p) => p.spot);
	if (spots.some((s) => s.depth > 0)) {
		return { across: spots.length, down: 1, behind: true };
	}
	const columns = new Set(spots.map((s) => s.x)).size;
	return {
		across: columns,
		down: Math.max(1, Math.ceil(spots.length / columns)),
		behind: false,
	};
}
