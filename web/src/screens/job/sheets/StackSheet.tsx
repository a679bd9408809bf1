import { useEffect, useState } from "react";
import { useCatalogue } from "../../../api/book";
import { useHeldWrite, usePackWrite } from "../../../api/panes";
import type { Stack, View } from "../../../api/types";
import { FieldSays } from "../../../parts/Field";
import { NumberField } from "../../../parts/NumberField";
import { PackFields } from "../../../parts/PackFields";
import { Pick } from "../../../parts/Pick";
import { Sheet } from "../../../parts/Sheet";
import { Tick } from "../../../parts/Tick";
import { heldOf } from "./held";
import { Keep } from "./Keep";

type Props = { view: View; open: boolean; onClose: () => void };

/** The runs of neighbours that one frame can hold, all of them first; with the one on the table, where it is said. */
function frames(n: number, here: number) {
	const all = { value: `1-${n}`, label: "all of them" };
	const parts = [];
	for (let size = n - 1; size > 0; size--)
		for (let first = 1; first + size <= n + 1; first++) {
			const last = first + size - 1;
			if (here > 0 && (here < first || here > last)) continue;
			parts.push({
				value: `${first}-${last}`,
				label: size === 1 ? `${first} alone` : `${first} to ${last}`,
			});
		}
	return [all, ...parts];
}

/** The pack that the pane stands in, as its panes came out. */
export function StackSheet({ view, open, onClose }: Props) {
	const catalogue = useCatalogue();
	const [stack, setStack] = useState<Stack>(view.pane.stack);
	// biome-ignore lint/correctness/useExhaustiveDependencies: only on opening
	useEffect(() => {
		if (open) setStack(view.pane.stack);
	}, [open]);
	const panes = stack.panes ?? [];
	// Panes side by side are no pack, however many there are.
	const several =
		panes.length > 1 &&
		panes.length === view.panes.length &&
		view.panes.some((p) => p.spot.depth > 0);
	const [all, setAll] = useState(true);
	const one = useHeldWrite(view);
	const pack = usePackWrite(view);
	const write = several && all ? pack : one;
	return (
		<Sheet title="The pack that it stands in" open={open} onClose={onClose}>
			<div className="flex flex-col gap-4">
				<p className="text-ink-2">
					As the panes came out, from the heat outwards. The one on the table
					takes what is chosen for it.
				</p>
				<PackFields
					panes={panes}
					gaps={stack.gaps ?? []}
					materials={catalogue.data?.materials ?? []}
					onChange={(panes, gaps) =>
						setStack({
							...stack,
							panes,
							gaps,
							here: Math.min(stack.here ?? 0, panes.length),
							first: 0,
							last: 0,
						})
					}
					error={(f) => write.error?.field(`stack.${f}`)}
				/>
				{panes.length > 0 && (
					<>
						{several && (
							<Tick checked={all} onChange={setAll}>
								These are the {panes.length} panes of this object, number 1 the
								innermost
							</Tick>
						)}
						{!(several && all) && (
							<section>
								<h3 className="mb-1.5 font-semibold">On the table is</h3>
								<Pick
									label="Which of them is on the table"
									value={String(stack.here ?? 0)}
									onChange={(n) => setStack({ ...stack, here: Number(n) })}
									options={[
										{ value: "0", label: "not said" },
										...panes.map((_, n) => ({
											value: String(n + 1),
											label: `pane ${n + 1}`,
										})),
									]}
								/>
							</section>
						)}
						{panes.length > 1 && (
							<section>
								<h3 className="mb-1.5 font-semibold">
									In one frame together are
								</h3>
								<Pick
									label="Which of them stand in one frame together"
									value={`${stack.first || 1}-${stack.last || panes.length}`}
									onChange={(v) => {
										const [first, last] = v.split("-").map(Number);
										setStack({ ...stack, first, last });
									}}
									options={frames(
										panes.length,
										several && all ? 0 : (stack.here ?? 0),
									)}
								/>
								<p className="mt-1 text-[0.9375rem] text-ink-2">
									The frame's depth is held against these; heat goes through all
									of them.
								</p>
								{write.error?.field("stack.first") && (
									<FieldSays error={write.error.field("stack.first")} />
								)}
							</section>
						)}
						<section>
							<h3 className="mb-1.5 font-semibold">The pack stands</h3>
							<Pick
								label="How the pack stands"
								value={stack.slope || "upright"}
								onChange={(slope) => setStack({ ...stack, slope })}
								options={[
									{ value: "upright", label: "upright" },
									{ value: "leaning", label: "leaning" },
									{ value: "lying", label: "lying, heat below" },
								]}
							/>
							<h3 className="mt-3 mb-1.5 font-semibold">In the gaps</h3>
							<Pick
								label="What stands in the gaps"
								value={stack.gas || "air"}
								onChange={(gas) => setStack({ ...stack, gas })}
								options={[
									{ value: "air", label: "air" },
									{ value: "argon", label: "argon, a sealed unit" },
								]}
							/>
						</section>
						<NumberField
							key={String(open)}
							label="Behind its hot side, °C"
							hint={`0 takes the ${Math.round(view.job.object.exposure.steady)} °C that the object gets`}
							value={stack.cavity ?? 0}
							onChange={(cavity) => setStack({ ...stack, cavity })}
							error={write.error?.field("stack.cavity")}
						/>
					</>
				)}
				<Keep
					write={write}
					onKeep={() =>
						several && all
							? pack.mutate(stack, { onSuccess: onClose })
							: one.mutate({ ...heldOf(view), stack }, { onSuccess: onClose })
					}
				/>
			</div>
		</Sheet>
	);
}
