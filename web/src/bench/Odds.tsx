import type { View } from "../api/types";
import { Inches } from "../app/Inches";

type Chance = NonNullable<View["reckoning"]["fit"]["chance"]>;

const heights: Record<string, number> = {
	fits: 20,
	tight: 34,
	binds: 34,
	loose: 34,
};

const tones: Record<string, string> = {
	fits: "var(--ink-3)",
	tight: "var(--stop)",
	binds: "var(--warn)",
	loose: "var(--two)",
};

/** The odds as fifty strokes; the bad ones stand up. */
export function Odds({
	chance,
	view,
	onPlace,
}: {
	chance: Chance;
	view: View;
	onPlace: (place: string) => void;
}) {
	const { fit, best_w, best_h } = view.reckoning;
	const better =
		chance.most > chance.all + 0.01 &&
		(chance.best.w !== fit.order.w || chance.best.h !== fit.order.h);
	return (
		<section
			aria-label="The odds"
			className="border-b border-rule py-3"
			data-odds={Math.round(chance.all * 1000)}
		>
			<svg
				viewBox="0 0 400 36"
				role="img"
				aria-label={chance.sentence}
				className="h-9 w-full"
			>
				{chance.strokes.map((s, n) => (
					<rect
						// biome-ignore lint/suspicious/noArrayIndexKey: a stroke is its place
						key={n}
						x={n * 8 + 1}
						y={36 - (heights[s] ?? 20)}
						width={s === "fits" ? 3 : 5}
						height={heights[s] ?? 20}
						fill={tones[s] ?? "var(--ink-3)"}
					/>
				))}
			</svg>
			<p>
				<strong className="font-semibold">{chance.sentence}.</strong>{" "}
				<span className="text-ink-2">
					Drawn {chance.draws.toLocaleString("en")} times over the doubts, the
					cutting tolerance and the heat.
				</span>
			</p>
			{better && best_w && best_h && (
				<p className="mt-1">
					By the odds the best is{" "}
					{fit.form !== "tube" && (
						<>
							<Inches>{best_w.main}</Inches> ×{" "}
						</>
					)}
					<Inches>{best_h.main}</Inches>: the least of going in, holding and
					staying free is then {Math.round(chance.most * 100)} of 100.
				</p>
			)}
			{chance.help && (
				<p className="mt-1">
					{chance.help.place && !chance.help.place.startsWith("shape_") ? (
						<button
							type="button"
							className="min-h-11 text-left underline underline-offset-4"
							onClick={() => onPlace(chance.help?.place ?? "")}
						>
							{chance.help.sentence}
						</button>
					) : (
						chance.help.sentence
					)}
				</p>
			)}
		</section>
	);
}
