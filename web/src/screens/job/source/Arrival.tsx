import { useState } from "react";
import { useCame } from "../../../api/orders";
import type { Order, Orders, SeenLine, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { WhenField } from "../../../parts/WhenField";

type Found = SeenLine["found"];

/** What came that is not right: it goes back with its finding. */
export function Arrival({
	view,
	order,
	looks,
	onDone,
}: {
	view: View;
	order: Order;
	looks: Orders["looks"];
	onDone: () => void;
}) {
	const [seen, setSeen] = useState<
		Record<string, { found: Found; finding: string }>
	>({});
	const [w, setW] = useState("");
	const [h, setH] = useState("");
	const [due, setDue] = useState("");
	const lines = Object.entries(seen).map(([key, s]) => ({ key, ...s }));
	const write = useCame(view, order.id);
	const here = order.lines.find((l) => l.pane === view.pane.id);
	const sized = here && view.reckoning.fit.ready && view.reckoning.road.sized;
	const flat = view.reckoning.fit.form !== "tube";
	const round = ["round", "circle"].includes(view.reckoning.fit.form);
	return (
		<form
			aria-label="What came"
			className="flex flex-col gap-3 border-t border-rule py-3"
			onSubmit={(e) => {
				e.preventDefault();
				write.mutate(
					{ lines, w, h, version: order.version, due },
					{ onSuccess: onDone },
				);
			}}
		>
			{sized && (
				<div className="grid grid-cols-2 gap-3">
					{flat && (
						<TextField
							label={round ? "Across, as read" : "Width, as read"}
							value={w}
							onChange={setW}
							error={write.error?.field("w") ?? write.error?.field("read_w")}
						/>
					)}
					{!round && (
						<TextField
							label={flat ? "Height, as read" : "Length, as read"}
							value={h}
							onChange={setH}
							error={write.error?.field("h") ?? write.error?.field("read_h")}
						/>
					)}
				</div>
			)}
			{order.lines.map((l) => {
				const s = seen[l.key];
				const at = lines.findIndex((x) => x.key === l.key);
				const say = (found: Found, finding: string) =>
					setSeen({ ...seen, [l.key]: { found, finding } });
				return (
					<fieldset key={l.key} className="flex flex-col gap-2">
						<legend className="font-semibold">{l.text}</legend>
						<Pick
							label={`How ${l.text} came`}
							value={s?.found ?? "good"}
							options={[
								{ value: "good", label: "good" },
								{ value: "wrong", label: "wrong" },
								{ value: "missing", label: "not in the box" },
							]}
							onChange={(f) => say(f, s?.finding ?? "")}
						/>
						{s?.found === "wrong" && l.pane !== undefined && (
							<div className="flex flex-wrap gap-2">
								{looks
									.flatMap((k) => k.wrongs)
									.map((word) => (
										<button
											key={word}
											type="button"
											aria-pressed={s.finding.includes(word)}
											className="min-h-11 border border-rule px-3 aria-pressed:border-ink aria-pressed:bg-now-wash aria-pressed:font-semibold"
											onClick={() => say("wrong", toggled(s.finding, word))}
										>
											{word}
										</button>
									))}
							</div>
						)}
						{s && (
							<TextField
								label={s.found === "good" ? "Why it is taken" : "Finding"}
								value={s.finding}
								onChange={(finding) => say(s.found, finding)}
								error={write.error?.field(`lines[${at}].finding`)}
								maxLength={300}
							/>
						)}
					</fieldset>
				);
			})}
			{lines.some((l) => l.found !== "good") && (
				<WhenField
					label="The right one comes"
					value={due}
					onChange={setDue}
					error={write.error?.field("due")}
				/>
			)}
			<Refusal
				error={
					write.error?.problem.errors?.length ? null : (write.error ?? null)
				}
			/>
			<div className="flex gap-2">
				<Button type="submit" disabled={write.isPending}>
					{lines.some((l) => l.found === "wrong")
						? "It goes back"
						: "Note what came"}
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</div>
		</form>
	);
}

/** A word put into a finding, or taken out of it. */
function toggled(finding: string, word: string): string {
	const words = finding.split(", ").filter((w) => w !== "");
	return (
		words.includes(word) ? words.filter((w) => w !== word) : [...words, word]
	).join(", ");
}
