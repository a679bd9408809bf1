import { bradSum, puttySum, reuseSum, rivetSum } from "../../api/sums";
import type { S } from "../../api/types";
import { useDraft } from "../../app/draft";
import { Pick } from "../../parts/Pick";
import { Numbers } from "./Numbers";
import { type SealKind, SealLook, type SealSeen } from "./SealLook";

type Body<K extends keyof S> = Omit<S[K], "$schema">;
/** A bolt in a bush in place of a rivet. */
export function RivetSum() {
	const [form, set] = useDraft<Body<"SettingRivet">>("rivet", {
		size: "3/16",
		hole: 9,
		bolt: 5,
		bush: 1,
		stack: 9,
		nut: 4,
	});
	return (
		<Numbers
			name="rivet"
			form={form}
			set={set}
			call={rivetSum}
			fields={[
				{ key: "hole", label: "hole in the glass", length: true },
				{ key: "bolt", label: "bolt", length: true },
				{ key: "bush", label: "wall of its bush", length: true },
				{ key: "stack", label: "between the heads", length: true },
				{ key: "nut", label: "nut with washers", length: true },
			]}
		>
			<Pick
				label="The rivet's shank, in"
				value={form.size}
				onChange={(size) => set({ ...form, size })}
				options={(["1/8", "5/32", "3/16", "1/4"] as const).map((v) => ({
					value: v,
					label: v,
				}))}
			/>
		</Numbers>
	);
}

/** How near a brad comes to the glass, and its pilot hole. */
export function BradSum() {
	const [form, set] = useDraft("brad", { diameter: 1.2, to_glass: 4 });
	return (
		<Numbers
			name="brad"
			form={form}
			set={set}
			call={bradSum}
			fields={[
				{ key: "diameter", label: "brad", length: true },
				{ key: "to_glass", label: "to the glass", length: true },
			]}
		/>
	);
}

/** How much putty a light takes. */
export function PuttySum() {
	const [form, set] = useDraft("putty", {
		length: 1800,
		face: 10,
		rebate: 10,
		back: 2,
	});
	return (
		<Numbers
			name="putty"
			form={form}
			set={set}
			call={puttySum}
			fields={[
				{ key: "length", label: "round the light", length: true },
				{ key: "face", label: "before the glass", length: true },
				{ key: "rebate", label: "rebate", length: true },
				{ key: "back", label: "bed behind it", length: true },
			]}
		/>
	);
}

/** Whether an old gasket may go in again. */
export function ReuseSum() {
	const [form, set] = useDraft("reuse", {
		kind: "rope" as SealKind,
		free: 10,
		sprung: 8,
		path: 1240,
		length: 1250,
		seen: [] as SealSeen[],
	});
	const rope = form.kind === "rope";
	return (
		<Numbers
			name="reuse"
			form={form}
			set={set}
			call={(f) =>
				reuseSum(rope ? f : { ...f, free: undefined, sprung: undefined })
			}
			fields={[
				...(rope
					? ([
							{ key: "free", label: "a new one", length: true },
							{ key: "sprung", label: "springs back to", length: true },
						] as const)
					: []),
				{ key: "path", label: "its path", length: true },
				{ key: "length", label: "laid straight", length: true },
			]}
		>
			<SealLook
				kind={form.kind}
				seen={form.seen}
				onChange={(c) => set({ ...form, ...c })}
			/>
		</Numbers>
	);
}
