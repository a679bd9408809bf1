import type { School } from "../../../api/types";

/** Where people disagree: both answers, each with what speaks for it. */
export function Schools({ schools }: { schools: School[] }) {
	if (schools.length === 0) return null;
	return (
		<section aria-label="Where people disagree" className="mt-4">
			<h2 className="font-semibold">Where people disagree</h2>
			{schools.map((s) => (
				<details
					key={s.id}
					data-school={s.id}
					className="border-b border-rule py-1"
				>
					<summary className="min-h-11 cursor-pointer content-center">
						{s.question}
					</summary>
					<div className="grid grid-cols-2 gap-x-5 pb-2">
						{s.sides.map((side) => (
							<div key={side.name}>
								<h3 className="font-semibold">{side.name}</h3>
								<ul className="list-['–_'] pl-4">
									{side.for.map((f) => (
										<li key={f}>{f}</li>
									))}
								</ul>
								{side.here && <p className="mt-1 text-ink-2">{side.here}</p>}
							</div>
						))}
					</div>
				</details>
			))}
		</section>
	);
}
