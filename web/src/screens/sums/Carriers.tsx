import type { LoadOut } from "../../api/types";
import { FigureLine } from "../../parts/FigureLine";
import { num } from "../../parts/num";

/** What each material needs to carry the loads, the lightest first. */
export function Carriers({ carriers }: { carriers: LoadOut["carriers"] }) {
	return (
		<section aria-label="What would carry it" className="mt-4">
			<h3 className="font-semibold">What would carry it</h3>
			{carriers.map((c) => (
				<details
					key={c.material}
					data-carrier={c.material}
					data-thickness={c.thickness}
					className="border-b border-rule"
				>
					<summary className="grid min-h-12 cursor-pointer grid-cols-[1.5rem_11rem_1fr_1rem] items-center gap-3 py-1 max-sm:grid-cols-[1.5rem_1fr_1rem]">
						<span
							aria-hidden="true"
							className="block h-6 w-3 border-x-[5px]"
							style={{
								borderColor: `var(--edge-${c.edge})`,
								background: `var(--fill-${c.edge})`,
							}}
						/>
						<span className="font-semibold">{c.name}</span>
						<span
							className={`max-sm:col-start-2 ${c.thickness > 0 ? "font-figure" : "text-ink-2"}`}
						>
							{c.thickness > 0
								? `${num(c.thickness)} mm, ${c.mass.toFixed(1)} kg`
								: `none: ${c.says}`}
						</span>
						<span
							aria-hidden="true"
							className="max-sm:row-start-1 max-sm:col-start-3"
						>
							›
						</span>
					</summary>
					<div className="pb-2 pl-9">
						{c.figures.map((f) => (
							<FigureLine key={f.key} figure={f} />
						))}
					</div>
				</details>
			))}
		</section>
	);
}
