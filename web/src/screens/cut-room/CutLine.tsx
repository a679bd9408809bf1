import type { CutTools } from "../../api/cutRoom";
import type { CutGroup } from "../../api/types";
import { Band } from "../../app/Band";

const key =
	"min-h-12 shrink-0 border-2 border-on-tape px-5 font-bold disabled:opacity-60";

/** The line along the bottom: the next cut, and how it went. */
export function CutLine({
	group,
	tools,
	onDone,
}: {
	group: CutGroup;
	tools: CutTools;
	onDone: () => void;
}) {
	const { plan } = group;
	const next = plan?.next;
	if (!plan || !next) {
		return group.panes.length > 0 && group.stock.length > 0 ? (
			<Band>
				<div className="flex flex-1 items-center justify-between gap-4 bg-tape px-4 text-on-tape sm:px-6">
					<strong className="text-lg">
						{group.panes.length === 1
							? "1 waits"
							: `${group.panes.length} wait`}
						: plan the cuts
					</strong>
					<button
						type="button"
						className={key}
						disabled={tools.pending}
						onClick={() => tools.plan(group)}
						data-plan
					>
						Plan
					</button>
				</div>
			</Band>
		) : (
			<Band />
		);
	}
	return (
		<div>
			{tools.error && (
				<p role="alert" className="bg-stop-wash px-4 py-2 text-stop sm:px-7">
					<strong>Not kept.</strong> {tools.error.message}
				</p>
			)}
			{plan.made.length > 0 && (
				<p className="border-t border-rule px-4 sm:px-7">
					<button
						type="button"
						className="min-h-11 font-semibold underline underline-offset-4"
						disabled={tools.pending}
						onClick={() => {
							onDone();
							tools.undo(plan);
						}}
					>
						Undo the last cut
					</button>
				</p>
			)}
			<Band>
				<div
					data-cut-line={next.path || "first"}
					className="flex min-w-0 flex-1 flex-wrap items-center gap-x-4 gap-y-2 bg-tape px-4 py-2 text-on-tape sm:px-6"
				>
					<strong className="min-w-0 flex-1 basis-24 text-lg max-sm:basis-full">
						{next.trim ? "Edge off" : `Cut ${next.number}`} at {next.at.main}{" "}
						{next.at.unit} <span className="max-sm:hidden">{next.from}</span>
					</strong>
					<button
						type="button"
						className="min-h-12 border-2 border-stop px-4 font-bold text-[#94190e]"
						disabled={tools.pending}
						onClick={() => {
							onDone();
							tools.broke(group, plan);
						}}
						data-broke
					>
						Broke it
					</button>
					<button
						type="button"
						className={`${key} min-w-28 max-sm:flex-1`}
						disabled={tools.pending}
						onClick={() => {
							onDone();
							tools.cut(plan);
						}}
						data-cut-done
					>
						Cut
					</button>
				</div>
			</Band>
		</div>
	);
}
