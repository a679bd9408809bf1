import { useState } from "react";

const rows: { keys: string[]; cols: string }[] = [
	{
		keys: ["7", "8", "9", "4", "5", "6", "1", "2", "3", ".", "0", " "],
		cols: "grid-cols-3",
	},
	{
		keys: [
			"1/16",
			"1/8",
			"3/16",
			"1/4",
			"5/16",
			"3/8",
			"7/16",
			"1/2",
			"9/16",
			"5/8",
			"11/16",
			"3/4",
			"13/16",
			"7/8",
			"15/16",
			"in",
		],
		cols: "grid-cols-4",
	},
];

/** A pad for gloves: figures, sixteenths, a little over, a little under. */
export function Pad({
	onKey,
	onEnter,
	onBack,
	onClear,
}: {
	onKey: (text: string) => void;
	onEnter: () => void;
	onBack: () => void;
	onClear: () => void;
}) {
	// On a phone either figures or fractions, so that the picture stays in sight.
	const [fractions, setFractions] = useState(false);
	const key =
		"font-figure min-h-13 bg-[#2b3231] px-2 text-xl font-semibold text-[#f4f1e8] active:bg-tape active:text-on-tape";
	return (
		<section
			aria-label="Pad"
			className="on-band flex flex-wrap justify-center gap-3 bg-band p-3"
		>
			<div
				className={`grid ${rows[0]?.cols} min-w-56 flex-1 gap-1.5 ${fractions ? "max-sm:hidden" : ""}`}
			>
				{rows[0]?.keys.map((k) => (
					<button
						key={k}
						type="button"
						className={key}
						data-key={k}
						onClick={() => onKey(k)}
					>
						{k === " " ? "space" : k}
					</button>
				))}
			</div>
			<div
				className={`grid ${rows[1]?.cols} min-w-64 flex-[1.4] gap-1.5 ${fractions ? "" : "max-sm:hidden"}`}
			>
				{rows[1]?.keys.map((k) => (
					<button
						key={k}
						type="button"
						className={key}
						onClick={() => onKey(k === "in" ? " in" : ` ${k}`)}
					>
						{k}
					</button>
				))}
			</div>
			<div className="grid flex-[0.8] gap-1.5 max-sm:min-w-full max-sm:grid-cols-5 sm:min-w-36 sm:grid-cols-2">
				<button type="button" className={key} onClick={() => onKey(" light")}>
					light
				</button>
				<button type="button" className={key} onClick={() => onKey(" heavy")}>
					heavy
				</button>
				<button type="button" className={key} onClick={onBack}>
					⌫<span className="sr-only">one back</span>
				</button>
				<button type="button" className={key} onClick={onClear}>
					clear
				</button>
				<button
					type="button"
					className={`${key} sm:hidden`}
					aria-pressed={fractions}
					onClick={() => setFractions(!fractions)}
				>
					{fractions ? "123" : "½"}
					<span className="sr-only">, fractions</span>
				</button>
				<button
					type="button"
					className="col-span-2 row-span-2 min-h-13 bg-tape text-xl font-bold text-on-tape max-sm:hidden"
					onClick={onEnter}
				>
					Put it there
				</button>
			</div>
		</section>
	);
}
