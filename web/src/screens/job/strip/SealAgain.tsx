import { useState } from "react";
import { reuseSum } from "../../../api/sums";
import type { StripEntry, View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { LengthField } from "../../../parts/LengthField";
import { FigureList } from "../../sums/FigureList";
import { type SealKind, SealLook, type SealSeen } from "../../sums/SealLook";
import type { StripTools } from "./useStrip";

type Asked = {
	kind: SealKind;
	free?: number;
	sprung?: number;
	path: number;
	length: number;
	seen: SealSeen[];
};

/** Whether an old seal may go in again, and with a tap what becomes of it. */
export function SealAgain({
	view,
	entry,
	version,
	strip,
	onDone,
}: {
	view: View;
	entry: StripEntry;
	version: number;
	strip: StripTools;
	onDone: () => void;
}) {
	const path = view.reckoning.figures.find((f) => f.key === "gasket_length");
	const round = Math.round(path?.value ?? 1000);
	const [a, setA] = useState<Asked>({
		kind: view.job.object.exposure.steady > 150 ? "rope" : "rubber",
		free: view.pane.gasket.free || 10,
		sprung: Math.round(0.8 * (view.pane.gasket.free || 10) * 10) / 10,
		path: round,
		length: round,
		seen: [],
	});
	const rope = a.kind === "rope";
	const set = (c: Partial<Asked>) => setA({ ...a, ...c });
	const fate = (f: "back" | "renew") =>
		strip.change.mutate(
			{ entry: { ...entry, fate: f }, version },
			{ onSuccess: onDone },
		);
	return (
		<div className="my-2 border-l-4 border-now pl-3" data-seal-again>
			<FigureList
				name="seal again"
				asked={rope ? a : { ...a, free: undefined, sprung: undefined }}
				call={reuseSum}
				fields={["free", "sprung", "path", "length"]}
			>
				{(error) => (
					<div className="flex flex-col gap-3">
						<SealLook kind={a.kind} seen={a.seen} onChange={set} />
						<div className="grid grid-cols-2 gap-3">
							{rope && (
								<>
									<LengthField
										label="A new one"
										value={a.free ?? 10}
										onChange={(free) => set({ free })}
										error={error?.field("free")}
									/>
									<LengthField
										label="Springs back to"
										value={a.sprung ?? 8}
										onChange={(sprung) => set({ sprung })}
										error={error?.field("sprung")}
									/>
								</>
							)}
							<LengthField
								label="Its path"
								value={a.path}
								onChange={(p) => set({ path: p })}
								error={error?.field("path")}
							/>
							<LengthField
								label="Laid straight"
								value={a.length}
								onChange={(length) => set({ length })}
								error={error?.field("length")}
							/>
						</div>
					</div>
				)}
			</FigureList>
			<p className="mt-2 flex flex-wrap gap-3">
				<Button disabled={strip.change.isPending} onClick={() => fate("back")}>
					It goes in again
				</Button>
				<Button disabled={strip.change.isPending} onClick={() => fate("renew")}>
					Renew it
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</p>
		</div>
	);
}
