import { useExperience } from "../../api/jobs";
import type { ExperienceLine, View } from "../../api/types";

const heads: Record<ExperienceLine["kind"], string> = {
	cause: "why the one before broke",
	material: "material",
	seal: "seal",
	source: "where it came from",
	adhesive: "adhesive",
};

/** How often what was fitted like this came back within a year, where the next such choice is made. */
export function Experience({
	view,
	kinds,
}: {
	view: View;
	kinds: ExperienceLine["kind"][];
}) {
	const lines = useExperience(view);
	const here = (lines.data ?? []).filter((l) => kinds.includes(l.kind));
	if (here.length === 0) return null;
	return (
		<section aria-label="In this shop" className="mt-5" data-experience>
			<h2 className="font-semibold">In this shop, held like this</h2>
			<ul>
				{here.map((l) => (
					<li
						key={`${l.kind} ${l.what}`}
						className={`border-l-4 py-1 pl-3 ${l.back > 0 ? "border-warn" : "border-transparent"}`}
					>
						<strong className="font-semibold">{l.what}</strong>
						{kinds.length > 1 && (
							<span className="text-ink-2"> ({heads[l.kind]})</span>
						)}
						: {l.says}
					</li>
				))}
			</ul>
		</section>
	);
}
