import { Sheet } from "../../../parts/Sheet";
import { named } from "./useKeys";

/** What each key does on the bench. */
export function KeysSheet({
	open,
	onClose,
}: {
	open: boolean;
	onClose: () => void;
}) {
	return (
		<Sheet title="Keys of the bench" open={open} onClose={onClose}>
			<dl>
				{named.map((k) => (
					<div
						key={k.key}
						className="flex min-h-12 items-center gap-4 border-b border-rule"
					>
						<dt className="w-20">
							<kbd className="font-figure border-2 border-ink px-3 py-1 text-lg font-semibold">
								{k.key}
							</kbd>
						</dt>
						<dd>{k.says}</dd>
					</div>
				))}
			</dl>
			<p className="mt-4 text-ink-2">
				They count where nothing is being typed. At Measure the line is the
				tape: type the length, then Enter.
			</p>
		</Sheet>
	);
}
