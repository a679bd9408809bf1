import { useEffect, useState } from "react";
import { api, got } from "../../api/client";
import { useCatalogue, useJobWrite } from "../../api/hooks";
import type { Pane, View } from "../../api/types";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { Sheet } from "../../parts/Sheet";
import { Tick } from "../../parts/Tick";

type Props = { view: View; open: boolean; onClose: () => void };

const sides = ["top", "right", "bottom", "left"] as const;
const gaskets = [
	{ value: "none", label: "none" },
	{ value: "flat", label: "flat, on the ledge" },
	{ value: "wrapped", label: "round the edge" },
] as const;

/** How the pane is held: frame, gasket, fixings, who cuts it. */
export function HeldSheet({ view, open, onClose }: Props) {
	const catalogue = useCatalogue();
	const [pane, setPane] = useState<Pane>(view.job.pane);
	const [free, setFree] = useState(String(view.job.pane.gasket.free));
	// Opening takes what stands now; while it is open, typing is left alone.
	// biome-ignore lint/correctness/useExhaustiveDependencies: only on opening
	useEffect(() => {
		if (open) {
			setPane(view.job.pane);
			setFree(String(view.job.pane.gasket.free));
		}
	}, [open]);
	const write = useJobWrite<Pane>(view.job.id, (body) =>
		got(
			api.PUT("/api/jobs/{id}/pane", {
				params: { path: { id: view.job.id } },
				body,
			}),
		),
	);
	const { family } = view.reckoning;
	const freeNumber = Number(free.replace(",", "."));
	const badFree = !(freeNumber >= 0 && freeNumber <= 40);
	return (
		<Sheet title="How the pane is held" open={open} onClose={onClose}>
			<div className="flex flex-col gap-6">
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
							<TextField
								label="Its free thickness, mm"
								hint="Measured unpressed; seated it takes 60 to 75 % of that."
								inputMode="decimal"
								value={free}
								onChange={setFree}
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
						<Choice title="Brackets on each side">
							<div className="grid grid-cols-4 gap-2">
								{sides.map((s) => (
									<Count
										key={s}
										name={s}
										value={pane.sides[s]}
										onChange={(n) =>
											setPane({ ...pane, sides: { ...pane.sides, [s]: n } })
										}
									/>
								))}
							</div>
						</Choice>
					</>
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
					Keep it
				</Button>
				{write.error?.conflict && (
					<Button
						onClick={() => {
							setPane({ ...pane, version: view.job.pane.version });
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

export function Choice({
	title,
	children,
}: {
	title: string;
	children: React.ReactNode;
}) {
	return (
		<section>
			<h3 className="mb-1.5 font-semibold">{title}</h3>
			{children}
		</section>
	);
}

function Count({
	name,
	value,
	onChange,
}: {
	name: string;
	value: number;
	onChange: (n: number) => void;
}) {
	const key =
		"min-h-12 w-full border-2 border-rule bg-lit text-2xl leading-none";
	return (
		<div className="flex flex-col items-center gap-1">
			<span>{name}</span>
			<button
				type="button"
				className={key}
				aria-label={`one more at the ${name}`}
				onClick={() => onChange(Math.min(40, value + 1))}
			>
				+
			</button>
			<output className="font-figure text-2xl font-semibold">{value}</output>
			<button
				type="button"
				className={key}
				aria-label={`one less at the ${name}`}
				onClick={() => onChange(Math.max(0, value - 1))}
			>
				−
			</button>
		</div>
	);
}
