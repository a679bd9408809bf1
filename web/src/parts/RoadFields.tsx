import type { Catalogue, Family, FieldError, Road } from "../api/types";
import { FieldSays } from "./Field";
import { Pick } from "./Pick";

const arrivals = [
	{ value: "broken", label: "broken" },
	{ value: "whole", label: "whole: it came off or fell out" },
	{ value: "unbroken", label: "nothing broke it" },
] as const;

/** Keeps a pane whole or broken as its road needs it. */
function arriving(id: Road["id"], how: string, came: Road["came"]) {
	if (id !== "stays" && id !== "kept") return came;
	if (came === "whole" || came === "unbroken") return came;
	return how === "stick" ? "whole" : "unbroken";
}

/** What is to be done with a pane, and how it arrived. */
export function RoadFields({
	road,
	family,
	catalogue,
	onChange,
	error,
}: {
	road: Road;
	/** How it is held, as far as anybody knows. */
	family?: Family;
	catalogue?: Catalogue;
	onChange: (road: Road) => void;
	error: (field: string) => FieldError | undefined;
}) {
	const roads = catalogue?.roads ?? [];
	const id = road.id || "size";
	const now = roads.find((r) => r.id === id);
	const can = (h: { needs?: string }) =>
		!family ||
		(h.needs === "adhesive"
			? family.facts.includes("adhesive")
			: h.needs === "tightened"
				? family.tightening !== "" || family.fixing === "nut"
				: true);
	const hows = (now?.hows ?? []).filter(can);
	const how = road.how || (hows[0]?.id ?? "");
	const says = error("road.id") ?? error("road.how") ?? error("road.came");
	function go(next: string, nextHow: string) {
		const known = next as Road["id"];
		onChange({
			...road,
			id: known,
			how: nextHow as Road["how"],
			came: arriving(known, nextHow, road.came),
		});
	}
	return (
		<div className="flex flex-col gap-4">
			<section>
				<h3 className="mb-1.5 font-semibold">What is to be done?</h3>
				<Pick
					wide
					label="What is to be done?"
					value={id}
					onChange={(v) => {
						const r = roads.find((x) => x.id === v);
						go(v, r?.hows.find(can)?.id ?? "");
					}}
					options={roads.map((r) => ({
						value: r.id,
						label: r.name,
						hint: r.hint,
					}))}
				/>
			</section>
			{hows.length > 1 && (
				<section>
					<h3 className="mb-1.5 font-semibold">Which is it?</h3>
					<Pick
						label="Which is it?"
						value={how}
						onChange={(h) => go(id, h)}
						options={hows.map((h) => ({ value: h.id, label: h.name }))}
					/>
				</section>
			)}
			<section>
				<h3 className="mb-1.5 font-semibold">How did it come?</h3>
				<Pick
					label="How did it come?"
					value={road.came || "broken"}
					onChange={(came) => onChange({ ...road, came })}
					options={[...arrivals]}
				/>
			</section>
			{says && <FieldSays error={says} />}
		</div>
	);
}
