import { useHeldWrite } from "../../../api/panes";
import type { View } from "../../../api/types";
import { Refusal } from "../../../parts/Refusal";
import { Stops } from "../Stops";
import { heldOf } from "../sheets/held";

const kinds = [
	{ kind: "lubricant", title: "To make it slip" },
	{ kind: "cleaner", title: "To clean" },
	{ kind: "adhesive", title: "To hold and seal" },
	{ kind: "neighbour", title: "Beside it" },
] as const;

const signs = {
	good: { sign: "✓", says: "good", tone: "text-now" },
	unknown: { sign: "·", says: "look at its sheet", tone: "text-ink-2" },
	care: { sign: "!", says: "with care", tone: "text-warn" },
	never: { sign: "✕", says: "never", tone: "text-stop" },
} as const;

/** What is going to touch the pane; what must never is refused with its reason. */
export function Touch({ view }: { view: View }) {
	const { touch } = view.reckoning;
	const { uses } = view.pane;
	const write = useHeldWrite(view);
	function toggle(id: string) {
		write.mutate({
			...heldOf(view),
			uses: uses.includes(id) ? uses.filter((u) => u !== id) : [...uses, id],
		});
	}
	const refused = write.error?.field("uses");
	const used = touch.filter((f) => uses.includes(f.agent.id) && f.sentence);
	return (
		<section aria-label="What touches it" className="mt-5">
			<h2 className="font-semibold">What touches it?</h2>
			<Stops
				view={view}
				stops={view.stops.filter(
					(s) => s.pane === view.pane.id && s.key.startsWith("clash_"),
				)}
			/>
			{kinds.map((k) => (
				<div key={k.kind} className="mt-2">
					<p className="text-ink-2">{k.title}</p>
					<div className="flex flex-wrap gap-2">
						{touch
							.filter((f) => f.agent.kind === k.kind)
							.map((f) => {
								const s = signs[f.verdict];
								const yes = uses.includes(f.agent.id);
								return (
									<button
										key={f.agent.id}
										type="button"
										aria-pressed={yes}
										disabled={view.job.signed || write.isPending}
										data-agent={f.agent.id}
										data-verdict={f.verdict}
										onClick={() => toggle(f.agent.id)}
										className="min-h-11 border-2 border-rule bg-lit px-3 aria-pressed:border-now aria-pressed:bg-now-wash aria-pressed:font-semibold"
									>
										<span className={`font-bold ${s.tone}`}>{s.sign}</span>{" "}
										{f.agent.name}
										<span className="sr-only">, {s.says}</span>
									</button>
								);
							})}
					</div>
				</div>
			))}
			{refused ? (
				<p
					role="alert"
					className="mt-2 border-l-4 border-stop pl-2 text-stop"
					data-refused
				>
					<strong>Not this:</strong> {refused.why}; {refused.cure}.
				</p>
			) : (
				<Refusal error={write.error} />
			)}
			{used.map((f) => (
				<p
					key={f.agent.id}
					className={`mt-2 border-l-4 pl-2 ${f.verdict === "good" ? "border-now" : "border-warn"}`}
				>
					{signs[f.verdict].says}: {f.sentence}.
				</p>
			))}
		</section>
	);
}
