import type { Catalogue } from "../../api/types";
import { originOf } from "./origin";

/** What a pane may see, and how much frames grow. */
export function HeatPage({ book }: { book: Catalogue }) {
	const cell = "py-1.5 pr-5";
	return (
		<div className="flex flex-col gap-8">
			<section
				aria-label="What a pane sees"
				// biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by the keyboard
				tabIndex={0}
				className="overflow-x-auto"
			>
				<h2 className="text-xl font-semibold">What a pane sees</h2>
				<p className="mb-2 text-ink-2">
					Starting points, common practice, no source; the object in hand is
					measured.
				</p>
				<table className="w-full">
					<thead>
						<tr className="border-b-2 border-rule text-left">
							{[
								"exposure",
								"steady",
								"minutes",
								"frame",
								"coldest",
								"sudden",
							].map((head) => (
								<th key={head} scope="col" className={cell}>
									{head}
								</th>
							))}
						</tr>
					</thead>
					<tbody>
						{book.exposures.map((e) => (
							<tr key={e.id} className="border-b border-rule">
								<th scope="row" className={`${cell} text-left font-semibold`}>
									{e.name}
								</th>
								{[e.steady, e.short, e.frame_hot, e.coldest].map((v, n) => (
									// biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
									<td key={n} className={`font-figure ${cell}`}>
										{v} °C
									</td>
								))}
								<td className={`font-figure ${cell}`}>{e.sudden} K</td>
							</tr>
						))}
					</tbody>
				</table>
			</section>
			<section aria-label="Frames">
				<h2 className="text-xl font-semibold">How frames grow</h2>
				<ul>
					{book.frames.map((f) => (
						<li key={f.id} className="border-b border-rule py-1.5">
							{f.name}: <strong className="font-figure">{f.alpha}</strong> ×
							10⁻⁶ per kelvin{" "}
							<span className="text-ink-2">{originOf(f.origin)}</span>
						</li>
					))}
				</ul>
			</section>
		</div>
	);
}
