import type { Catalogue, Family } from "../../api/types";
import { EdgePicture } from "../../bench/EdgePicture";
import { ValueTable } from "./ValueTable";

/** The eighteen ways of holding: edge, seals, limits, order of work, checks. */
export function FamilyPage({ book }: { book: Catalogue }) {
	return (
		<ol>
			{book.families.map((f, n) => (
				<FamilyEntry key={f.id} family={f} number={n + 1} book={book} />
			))}
		</ol>
	);
}

function FamilyEntry({
	family,
	number,
	book,
}: {
	family: Family;
	number: number;
	book: Catalogue;
}) {
	const drawing = book.edges[family.id];
	const edge = book.materials.find((m) => m.id === family.material)?.edge;
	const { limits } = family;
	return (
		<li
			className="grid gap-x-8 gap-y-2 border-t-2 border-rule py-4 md:grid-cols-[15rem_1fr]"
			data-family={family.id}
		>
			<div>
				{drawing && <EdgePicture drawing={drawing} edge={edge ?? "green"} />}
			</div>
			<div>
				<h2 className="text-xl font-semibold">
					{number}. {family.name}
				</h2>
				<p className="max-w-[46em]">
					{family.held} Such as {family.objects.join(", ")}.
				</p>
				<p className="text-ink-2">Sealed with {family.seals.join(", ")}.</p>
				<div className="my-2 max-w-[44em]">
					<ValueTable
						book={book}
						kind="family"
						id={family.id}
						of={family.name}
						says={`Limits of ${family.name}`}
						rows={(
							[
								["clearance", "edge clearance, liked", limits.clearance],
								[
									"hot_clearance",
									"edge clearance when hot, liked",
									limits.hot_clearance,
								],
								["bite", "bite, liked", limits.bite],
								["goes_in", "clearance, must have", limits.goes_in],
								["stays", "bite, must have", limits.stays],
							] as const
						).map(([item, name, value]) => ({ item, name, unit: "mm", value }))}
					/>
				</div>
				<details>
					<summary className="min-h-11 cursor-pointer content-center font-semibold">
						{family.steps.length} steps, {family.checks.length} checks, and what
						people regret
					</summary>
					<ol className="mt-1">
						{family.steps.map((s) => (
							<li key={s.key} className="border-b border-rule py-1.5">
								<strong className="font-semibold">
									{s.station}: {s.title}
								</strong>
								{s.hold && (
									<span className="ml-2 border border-wax px-1.5 text-sm font-bold text-wax">
										hold
									</span>
								)}
								{(s.people ?? 1) > 1 && (
									<span className="ml-2 font-semibold text-two">
										two people
									</span>
								)}
								<span className="block">{s.do}</span>
								<span className="block text-ink-2">{s.why}</span>
							</li>
						))}
					</ol>
					<p className="mt-2 font-semibold">Proved by</p>
					<ul className="list-disc pl-5">
						{family.checks.map((c) => (
							<li key={c.key}>{c.text}</li>
						))}
					</ul>
					<p className="mt-2 font-semibold">Regretted</p>
					<ul className="list-disc pl-5">
						{family.regrets.map((r) => (
							<li key={r}>{r}</li>
						))}
					</ul>
				</details>
			</div>
		</li>
	);
}
