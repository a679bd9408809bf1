import { useRef } from "react";
import { useCheck } from "../../../api/steps";
import type { CheckView, View } from "../../../api/types";
import { useDraft } from "../../../app/draft";
import { openingOf } from "../../../bench/Evenness";
import { gapAt, gapPlaces } from "../../../bench/gaps";

const empty = gapPlaces.map(() => "");

/** Eight fields round the pane: Enter goes on to the next, the last one keeps them. */
export function GapFields({
	view,
	check,
	width,
	height,
}: {
	view: View;
	check: CheckView;
	width: number;
	height: number;
}) {
	const [texts, setTexts, clear] = useDraft<string[]>(
		`gaps:${view.pane.id}:${check.key}`,
		empty,
	);
	const fields = useRef<(HTMLInputElement | null)[]>([]);
	const write = useCheck(view);
	if (!view.reckoning.fit.ready || width < 200) return null;
	const o = openingOf(view.reckoning.fit.order, width, height);
	const full = gapPlaces.every((_, n) => texts[n]?.trim());
	const keep = () =>
		write.mutate(
			{
				check: check.key,
				outcome: "pass",
				read: gapPlaces.map((_, n) => texts[n] ?? ""),
			},
			{ onSuccess: clear },
		);
	return (
		<form
			aria-label={`${check.text}: eight places`}
			onSubmit={(e) => {
				e.preventDefault();
				const at = fields.current.indexOf(
					document.activeElement as HTMLInputElement,
				);
				const next = gapPlaces.findIndex((_, n) => n > at && !texts[n]?.trim());
				const open = gapPlaces.findIndex((_, n) => !texts[n]?.trim());
				if (full) keep();
				else fields.current[next >= 0 ? next : open]?.focus();
			}}
		>
			{gapPlaces.map((p, n) => {
				const at = gapAt(n, o);
				const wrong = write.error?.field(`read[${n}]`);
				return (
					<input
						key={p.name}
						ref={(el) => {
							fields.current[n] = el;
						}}
						aria-label={`gap at the ${p.name}, ${check.asks}`}
						aria-invalid={wrong !== undefined}
						inputMode={check.asks === "in" ? "text" : "decimal"}
						autoComplete="off"
						maxLength={60}
						value={texts[n] ?? ""}
						onChange={(e) =>
							setTexts(
								gapPlaces.map((_, k) =>
									k === n ? e.target.value : (texts[k] ?? ""),
								),
							)
						}
						className="font-figure absolute h-12 w-17 -translate-x-1/2 -translate-y-1/2 border-2 border-ink bg-lit text-center text-lg aria-[invalid=true]:border-stop"
						style={{
							left: inside(o.x + at.x, 38, width),
							top: inside(o.y + at.y, 26, height),
						}}
					/>
				);
			})}
			<button
				type="submit"
				disabled={write.isPending}
				className="absolute min-h-12 -translate-x-1/2 -translate-y-1/2 border-2 border-ink bg-lit px-5 font-semibold disabled:opacity-60"
				style={{ left: width / 2, top: height * 0.68 }}
			>
				{full ? "Keep the gaps" : "Next place"}
			</button>
			{write.error && (
				<p
					role="alert"
					className="absolute inset-x-2 bottom-1 border-l-4 border-stop bg-lit pl-2 text-stop"
				>
					<strong>Not kept.</strong>{" "}
					{gapPlaces
						.map((p, n) => {
							const f = write.error?.field(`read[${n}]`);
							return f ? `${p.name}: ${f.why}` : "";
						})
						.filter(Boolean)
						.join("; ") || write.error.message}
				</p>
			)}
		</form>
	);
}

function inside(v: number, half: number, size: number): number {
	return Math.min(size - half, Math.max(half, v));
}
