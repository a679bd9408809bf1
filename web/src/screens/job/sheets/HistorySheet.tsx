import { useHistory } from "../../../api/jobs";
import type { View } from "../../../api/types";
import { when } from "../../../app/when";
import { Sheet } from "../../../parts/Sheet";

/** Who changed what, newest first. */
export function HistorySheet({
	view,
	open,
	onClose,
}: {
	view: View;
	open: boolean;
	onClose: () => void;
}) {
	const history = useHistory(view, open);
	return (
		<Sheet title="What happened" open={open} onClose={onClose}>
			{history.isError && <p role="alert">{history.error.message}</p>}
			<ol>
				{history.data?.map((e, n) => (
					<li
						// biome-ignore lint/suspicious/noArrayIndexKey: the trail only grows at its head, and is read afresh
						key={n}
						className="grid grid-cols-[8.5rem_1fr] gap-3 border-b border-rule py-2"
					>
						<span className="text-ink-2">{when(e.at)}</span>
						<span>
							{e.said}
							<span className="block text-ink-2">{e.by}</span>
						</span>
					</li>
				))}
			</ol>
		</Sheet>
	);
}
