import type { View } from "../../../api/types";

export function dotsOf(view: View) {
	return view.job.strip.flatMap((r) =>
		r.entry.spot
			? [
					{
						id: r.entry.id,
						label: String(r.position),
						name: r.entry.what,
						spot: r.entry.spot,
					},
				]
			: [],
	);
}
