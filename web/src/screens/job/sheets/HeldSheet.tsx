import { useEffect, useState } from "react";
import { useCatalogue } from "../../../api/book";
import { useHeldWrite } from "../../../api/panes";
import type { Held, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { Choice } from "../../../parts/Choice";
import { control, Field, TextField } from "../../../parts/Field";
import { LengthField } from "../../../parts/LengthField";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { Sheet } from "../../../parts/Sheet";
import { Stepper } from "../../../parts/Stepper";
import { Tick } from "../../../parts/Tick";
import { heldOf } from "./held";
import { ShapeChoice } from "./ShapeChoice";

type Props = { view: View; open: boolean; onClose: () => void };

const sides = ["top", "right", "bottom", "left"] as const;
const fixings: Record<string, string> = {
	bracket: "Brackets",
	screw: "Screws",
	nut: "Nuts",
	bolt: "Bolts",
	bar: "Screws of the bar",
	ring: "Dogs or screws",
};

const gaskets = [
	{ value: "none", label: "none" },
	{ value: "flat", label: "flat, on the ledge" },
	{ value: "wrapped", label: "round the edge" },
] as const;

/** How the pane is held: frame, gasket, fixings, who cuts it. */
export function HeldSheet({ view, open, onClose }: Props) {
	const catalogue = useCatalogue();
	const [pane, setPane] = useState<Held>(() => heldOf(view));
	const [filled, setFilled] = useState(0);
	const [free, setFree] = useState(String(view.pane.gasket.free));
	// Opening takes what stands now; while it is open, typing is left alone.
	// biome-ignore lint/correctness/useExhaustiveDependencies: only on opening
	useEffect(() => {
		if (open) {
			setFilled((n) => n + 1);
			setPane(heldOf(view));
			setFree(String(view.pane.gasket.free));
		}
	}, [open]);
	const write = useHeldWrite(view);
	const family =
		catalogue.data?.families.find((f) => f.id === pane.family) ??
		view.reckoning.family;
	const freeNumber = Number(free.replace(",", "."));
	const badFree = !(freeNumber >= 0 && freeNumber <= 40);
	return (
		<Sheet title="How the pane is held" open={open} onClose={onClose}>
			<div className="flex flex-col gap-6">
				{(view.panes.length > 1 || pane.name !== "") && (
					<TextField
						label="Which pane it is"
						placeholder={`pane ${view.pane.number}`}
						value={pane.name}
						onChange={(name) => setPane({ ...pane, name })}
						error={write.error?.field("name")}
						maxLength={80}
					/>
				)}
				<Field label="Held by" error={write.error?.field("family")}>
					{(a) => (
						<select
							{...a}
							className={control}
							value={pane.family}
							onChange={(e) => setPane({ ...pane, family: e.target.value })}
						>
							{(catalogue.data?.families ?? [family]).map((f) => (
								<option key={f.id} value={f.id}>
									{f.name}
								</option>
							))}
						</select>
					)}
				</Field>
				<ShapeChoice
					shape={pane.shape}
					sizing={family.sizing}
					onChange={(shape) => setPane({ ...pane, shape })}
					error={
						write.error?.field("shape.kind") ??
						write.error?.field("shape.count") ??
						write.error?.field("shape.drawn")
					}
				/>
				<Choice title="The frame is">
					<Pick
						label="Frame"
						value={pane.frame}
						onChange={(frame) => setPane({ ...pane, frame })}
						options={(catalogue.data?.frames ?? []).map((f) => ({
							value: f.id,
							label: f.name,
						}))}
					/>
				</Choice>
				{family.seal === "gasket" && (
					<>
						<Choice title="Gasket">
							<Pick
								label="Gasket"
								value={pane.gasket.kind}
								onChange={(kind) =>
									setPane({ ...pane, gasket: { ...pane.gasket, kind } })
								}
								options={[...gaskets]}
							/>
						</Choice>
						{pane.gasket.kind !== "none" && (
							<LengthField
								key={filled}
								label="Its free thickness"
								hint="Measured unpressed; seated it takes 60 to 75 % of that."
								value={Number(free)}
								onChange={(mm) => setFree(String(mm))}
								error={
									badFree
										? {
												field: "free",
												why: "a thickness from 0 to 40 mm is expected",
												cure: "measure it unpressed",
											}
										: write.error?.field("gasket.free")
								}
							/>
						)}
					</>
				)}
				{family.tightening !== "" && (
					<Choice title={`${fixings[family.fixing] ?? "Fixings"} on each side`}>
						<div className="grid grid-cols-2 gap-3">
							{sides.map((s) => (
								<Stepper
									key={s}
									name={s}
									value={pane.sides[s]}
									least={0}
									most={40}
									onChange={(n) =>
										setPane({ ...pane, sides: { ...pane.sides, [s]: n } })
									}
								/>
							))}
						</div>
					</Choice>
				)}
				<Choice title="Cut by">
					<Pick
						label="Who cuts it"
						value={pane.cutter === "" ? "usual" : pane.cutter}
						onChange={(c) =>
							setPane({ ...pane, cutter: c === "usual" ? "" : c })
						}
						options={[
							{ value: "usual", label: "as usual for the material" },
							{ value: "hand", label: "hand here, ±1 mm" },
							{ value: "shop", label: "a glass shop" },
							{ value: "saw", label: "saw, ±0.5 mm" },
							{ value: "toughened", label: "ordered toughened, ±2.5 mm" },
						]}
					/>
				</Choice>
				<Tick
					checked={pane.raked}
					onChange={(raked) => setPane({ ...pane, raked })}
				>
					Cut raked, to the skew of the opening
				</Tick>
				<Refusal error={write.error} />
				<Button
					kind="now"
					disabled={write.isPending || badFree}
					onClick={() =>
						write.mutate(
							{ ...pane, gasket: { ...pane.gasket, free: freeNumber } },
							{ onSuccess: onClose },
						)
					}
				>
					Save
				</Button>
				{write.error?.conflict && (
					<Button
						onClick={() => {
							setPane({ ...pane, version: view.pane.version });
							write.reset();
						}}
					>
						Go on from what stands now
					</Button>
				)}
			</div>
		</Sheet>
	);
}
