import { useState } from "react";
import type { Catalogue } from "../../api/types";
import { useWho } from "../../app/who";
import { Button } from "../../parts/Button";
import { OwnForm } from "./OwnForm";

const signs: Record<string, { sign: string; tone: string; says: string }> = {
	good: { sign: "✓", tone: "text-now", says: "good" },
	care: { sign: "!", tone: "text-warn", says: "with care" },
	never: { sign: "✕", tone: "text-stop", says: "never" },
};

const words = [
	{ v: 1, label: "good", verdict: "good" },
	{ v: 2, label: "with care", verdict: "care" },
	{ v: 3, label: "never", verdict: "never" },
];

/** The matrix of what may touch what; a tap on a pair gives its reason. */
export function TouchPage({ book }: { book: Catalogue }) {
	const { subjects, agents, rules } = book.compat;
	const [picked, setPicked] = useState<[string, string] | null>(null);
	const rule = (s: string, a: string) =>
		rules.find((r) => r.subject === s && r.agent === a);
	const open = picked && rule(picked[0], picked[1]);
	const { account } = useWho();
	const [changing, setChanging] = useState(false);
	const pick = (s: string, a: string) => {
		setPicked([s, a]);
		setChanging(false);
	};
	const laid =
		picked &&
		book.own.find(
			(o) => o.kind === "touch" && o.id === picked[1] && o.item === picked[0],
		);
	const name = (id: string) =>
		[...subjects, ...agents].find((x) => x.id === id)?.name ?? id;
	return (
		<div>
			<p className="mb-3 max-w-[46em] text-ink-2">
				Common practice, no source. An empty place means that nobody has said:
				look at the product's sheet, which comes first in any case.
			</p>
			<div aria-live="polite" className="mb-3 min-h-14">
				{open ? (
					<p
						className={`border-l-4 pl-3 ${open.verdict === "never" ? "border-stop" : open.verdict === "care" ? "border-warn" : "border-now"}`}
					>
						<strong>
							{name(open.agent)} on {name(open.subject)}:{" "}
							{signs[open.verdict]?.says}.
						</strong>{" "}
						{open.reason}.
						{(open.instead ?? []).length > 0 &&
							` Instead: ${(open.instead ?? []).map(name).join(", ")}.`}
					</p>
				) : picked ? (
					<p className="border-l-4 border-rule pl-3">
						<strong>
							{name(picked[1])} on {name(picked[0])}:
						</strong>{" "}
						nobody has said. Look at the product's sheet.
					</p>
				) : (
					<p className="text-ink-2">Tap a pair for its reason.</p>
				)}
				{picked && account.role === "owner" && !changing && (
					<Button kind="quiet" onClick={() => setChanging(true)}>
						{laid ? "change the shop's word" : "the shop's own word on it"}
					</Button>
				)}
				{picked && changing && (
					<div className="mt-2 max-w-[34em]">
						<OwnForm
							key={picked.join()}
							at={{ kind: "touch", id: picked[1], item: picked[0] }}
							unit=""
							among={words}
							value={words.find((w) => w.verdict === open?.verdict)?.v ?? 2}
							laid={laid ?? undefined}
							onDone={() => setChanging(false)}
						/>
					</div>
				)}
			</div>
			<section
				aria-label="What may touch what"
				// biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by the keyboard
				tabIndex={0}
				className="overflow-x-auto"
			>
				<table className="border-collapse">
					<caption className="sr-only">What may touch what</caption>
					<thead>
						<tr>
							<td />
							{subjects.map((s) => (
								<th
									key={s.id}
									scope="col"
									className="h-40 align-bottom text-[0.9375rem] font-semibold"
								>
									<span className="[writing-mode:vertical-rl] rotate-180">
										{s.name}
									</span>
								</th>
							))}
						</tr>
					</thead>
					<tbody>
						{agents.map((a) => (
							<tr key={a.id} className="border-t border-rule">
								<th
									scope="row"
									className="pr-3 text-left font-semibold whitespace-nowrap"
								>
									{a.name}
								</th>
								{subjects.map((s) => {
									const r = rule(s.id, a.id);
									const sign = r && signs[r.verdict];
									return (
										<td key={s.id} className="p-0 text-center">
											<button
												type="button"
												aria-label={
													sign
														? `${sign.sign} ${a.name} on ${s.name}: ${sign.says}`
														: `${a.name} on ${s.name}: nobody has said`
												}
												aria-pressed={
													picked?.[0] === s.id && picked[1] === a.id
												}
												data-pair={`${a.id}/${s.id}`}
												onClick={() => pick(s.id, a.id)}
												className={`size-11 text-lg font-bold aria-pressed:bg-now-wash ${r?.own ? "underline decoration-2 underline-offset-4" : ""} ${sign?.tone ?? "text-ink-3"}`}
											>
												{sign?.sign ?? "·"}
											</button>
										</td>
									);
								})}
							</tr>
						))}
					</tbody>
				</table>
			</section>
		</div>
	);
}
