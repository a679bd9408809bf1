import type { LoadOut } from "../../api/types";

/** What each material needs to carry the loads, the lightest first. */
export function Carriers({ carriers }: { carriers: LoadOut["carriers"] }) {
	return (
		<section aria-label="What would carry it" className="mt-4">
			<h3 className="font-semibold">What would carry it</h3>
			<ul>
				{carriers.map((c) => (
					<li
						key={c.material}
						data-carrier={c.material}
						data-thickness={c.thickness}
						className="grid min-h-11 grid-cols-[1.5rem_12rem_1fr] items-center gap-3 border-b border-rule py-1"
					>
						<span
							aria-hidden="true"
							className="block h-6 w-3 border-x-[5px]"
							style={{
								borderColor: `var(--edge-${c.edge})`,
								background: `var(--fill-${c.edge})`,
							}}
						/>
						<span className="font-semibold">{c.name}</span>
						<span className={c.thickness > 0 ? "font-figure" : "text-ink-2"}>
							{c.thickness > 0 ? c.says : `none: ${c.says}`}
						</span>
					</li>
				))}
			</ul>
		</section>
	);
}
