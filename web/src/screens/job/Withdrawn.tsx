import { useTakeUp } from "../../api/jobs";
import type { View } from "../../api/types";
import { Refusal } from "../../parts/Refusal";

/** A withdrawn job says so, and how it is taken up again. */
export function Withdrawn({ view }: { view: View }) {
	const { withdrawn } = view.job;
	const write = useTakeUp(view);
	if (!withdrawn) return null;
	return (
		<div
			role="status"
			className="flex flex-wrap items-center gap-x-5 border-y border-rule bg-warn-wash px-4 py-1 sm:px-7"
		>
			<p>
				<strong>Withdrawn</strong> by {withdrawn.by}: {withdrawn.why}
			</p>
			<button
				type="button"
				className="min-h-12 font-semibold underline underline-offset-4"
				disabled={write.isPending}
				onClick={() => write.mutate()}
			>
				Take it up again
			</button>
			<Refusal error={write.error} />
		</div>
	);
}
