import { beadSum } from "../../api/sums";
import type { Bead } from "../../api/types";
import { useDraft } from "../../app/draft";
import { Pick } from "../../parts/Pick";
import { Numbers } from "./Numbers";

const empty = {
	section: "triangle" as Bead["section"],
	length: 2400,
	width: 8,
	height: 12,
	tube: 310,
	skin: 10,
	people: 1,
};

const fields = [
	{ key: "length", label: "path", length: true },
	{ key: "width", label: "width", length: true },
	{ key: "height", label: "height", length: true },
	{ key: "tube", label: "a tube holds, ml" },
	{ key: "skin", label: "skins in, min" },
	{ key: "people", label: "who lay it" },
] as const;

/** How much a bead takes, how many tubes, and whether it is laid before it skins. */
export function BeadSum() {
	const [form, set] = useDraft("bead", empty);
	return (
		<section aria-label="How many tubes?">
			<h2 className="text-2xl font-semibold">How many tubes?</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				The path of the bead round the flange, and how it is laid. An opened
				tube is one session; the pane is in place before the bead skins.
			</p>
			<Numbers name="bead" fields={fields} form={form} set={set} call={beadSum}>
				<Pick
					label="Section"
					value={form.section}
					onChange={(section) => set({ ...form, section })}
					options={[
						{ value: "triangle", label: "triangle" },
						{ value: "round", label: "round" },
						{ value: "fillet", label: "fillet in a corner" },
						{ value: "joint", label: "filled joint" },
					]}
				/>
			</Numbers>
		</section>
	);
}
