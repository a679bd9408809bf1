import type { Catalogue } from "../../api/types";
import { NamedValues } from "./NamedValues";
import type { Row } from "./ValueTable";

/** A value that carries no origin of its own: common practice. */
function row(item: string, name: string, unit: string, v: number): Row {
	return { item, name, unit, value: { v, o: { kind: "trade" } } };
}

function degrees(item: string, name: string, v: number): Row {
	return row(item, name, "°C", v);
}

/** What a pane may see, how much frames grow, and what bands cutters keep. */
export function HeatPage({ book }: { book: Catalogue }) {
	return (
		<div className="flex flex-col gap-8">
			<section aria-label="How hot a pane gets">
				<h2 className="text-xl font-semibold">How hot a pane gets</h2>
				<p className="mb-2 text-ink-2">
					Starting points of a new job, common practice, no source; the object
					in hand is measured.
				</p>
				<ul className="grid gap-x-12 gap-y-6 lg:grid-cols-2">
					{book.exposures.map((e) => (
						<NamedValues
							key={e.id}
							book={book}
							kind="exposure"
							id={e.id}
							name={e.name}
							rows={[
								degrees("steady", "in steady use", e.steady),
								degrees("short", "for minutes", e.short),
								degrees("frame_hot", "its frame, hot", e.frame_hot),
								degrees("coldest", "the coldest", e.coldest),
								row("sudden", "sudden change", "K", e.sudden),
								row("hours", "at full heat", "h", e.hours),
							]}
						/>
					))}
				</ul>
			</section>
			<section aria-label="Frames">
				<h2 className="text-xl font-semibold">How frames grow</h2>
				<ul className="grid gap-x-12 gap-y-4 lg:grid-cols-2">
					{book.frames.map((f) => (
						<NamedValues
							key={f.id}
							book={book}
							kind="frame"
							id={f.id}
							name={f.name}
							rows={[
								{
									item: "alpha",
									name: "growth",
									unit: "10⁻⁶/K",
									value: { v: f.alpha, o: f.origin },
								},
							]}
						/>
					))}
				</ul>
			</section>
			<section aria-label="Cutters">
				<h2 className="text-xl font-semibold">What cutters keep</h2>
				<p className="mb-2 text-ink-2">
					The band to assume when nobody says; a cutter that is known better is
					ordered from by its own.
				</p>
				<ul className="grid gap-x-12 gap-y-4 lg:grid-cols-2">
					{book.cutters.map((c) => (
						<NamedValues
							key={c.id}
							book={book}
							kind="cutter"
							id={c.id}
							name={c.name}
							rows={[
								...c.bands.map((b) => ({
									item: b.item,
									name: `±, ${b.name}`,
									unit: "mm",
									value: b.half,
								})),
								...(c.dress
									? [
											{
												item: "dress",
												name: "over a round pane, to dress",
												unit: "mm",
												value: c.dress,
											},
										]
									: []),
							]}
						/>
					))}
				</ul>
			</section>
		</div>
	);
}
