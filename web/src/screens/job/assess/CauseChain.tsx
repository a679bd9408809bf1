import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";

type Links = View["reckoning"]["chain"];

/** How many are offered; those that something speaks for always are. */
const offered = 3;

/** What broke it and what stood behind that, back to where it began. */
export function CauseChain({
	chain,
	disabled,
	onBehind,
}: {
	chain: Links;
	disabled: boolean;
	onBehind: (behind: string[]) => void;
}) {
	const behind = chain.slice(1).map((l) => l.id);
	const last = chain.at(-1);
	const may = (last?.may ?? []).filter((m, i) => m.seen || i < offered);
	return (
		<>
			<ol aria-label="The cause">
				{chain.map((l, i) => (
					<li key={l.id} className="flex items-center gap-2">
						<p className="grow">
							{i > 0 && <span className="text-ink-2">because of </span>}
							<strong>{l.name}</strong>
							{l.because && <>: {l.because}</>}
						</p>
						{i > 0 && !disabled && (
							<Button
								aria-label={`Not ${l.name}`}
								onClick={() => onBehind(behind.slice(0, i - 1))}
							>
								Take off
							</Button>
						)}
					</li>
				))}
			</ol>
			{!disabled && last && may.length > 0 && (
				<fieldset
					className="mt-1 border-0 p-0"
					aria-label="What stood behind it"
				>
					<p className="text-ink-2">
						Did something stand behind it? Else go on.
					</p>
					<div className="mt-1 flex flex-wrap gap-2">
						{may.map((m) => (
							<Button
								key={m.id}
								title={m.because}
								className={m.seen ? "font-semibold" : ""}
								onClick={() => onBehind([...behind, m.id])}
							>
								{m.name}
								{m.seen && <span className="text-ink-2"> · seen here</span>}
							</Button>
						))}
					</div>
				</fieldset>
			)}
		</>
	);
}
