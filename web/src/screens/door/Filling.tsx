import type { Refused } from "../../api/refused";
import { Door } from "./Door";

/** How far a made-up shop is filled. It opens by itself when it is. */
export function Filling({ error }: { error: Refused }) {
	const { done, of } = error.problem.filled ?? { done: 0, of: 1 };
	return (
		<Door title="Fresh Shard" lead="The made-up shop is being filled">
			<div
				className="h-4 border-2 border-ink bg-lit"
				role="progressbar"
				aria-label="jobs that are in"
				aria-valuemax={of}
				aria-valuenow={done}
			>
				<div
					className="h-full bg-now"
					style={{ width: `${(100 * done) / of}%` }}
				/>
			</div>
			<p className="mt-3 text-lg" role="status">
				<strong className="font-figure">
					{done} of {of}
				</strong>{" "}
				jobs are in
			</p>
			<p className="mt-1 text-ink-2">It opens by itself, within a minute.</p>
		</Door>
	);
}
