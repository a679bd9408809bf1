const metric = {
	step: 5,
	before: 26,
	marks: 66,
	tall: 2,
	numbered: 10,
	says: 5,
};
const inches = {
	step: 25.4 / 8,
	before: 41,
	marks: 104,
	tall: 4,
	numbered: 8,
	says: 1,
};

/**
 * The blade behind the tape line. Its marks stand still when nothing is typed
 * and run to the value when something is: the red stroke is the reading.
 */
export function TapeBlade({
	value,
	unit,
}: {
	value: number | null;
	unit: "mm" | "in";
}) {
	const px = 3.4; // one millimetre on the blade
	const middle = value ?? 0;
	const marks = [];
	// Half centimetres with a number at every fifth centimetre, or eighths of an
	// inch with a number at every inch.
	const blade = unit === "in" ? inches : metric;
	const first = Math.floor(middle / blade.step) - blade.before;
	for (let n = Math.max(0, first); n <= first + blade.marks; n++) {
		const x = 200 + (n * blade.step - middle) * px;
		const tall = n % blade.tall === 0;
		const numbered = n % blade.numbered === 0;
		marks.push(
			<g key={n}>
				<path
					d={`M${x} 0v${numbered ? 17 : tall ? 12 : 7}`}
					stroke="var(--on-tape)"
					strokeWidth={tall ? 1.4 : 1}
				/>
				{numbered && (
					<text
						x={x + 4}
						y={17}
						fontSize={13}
						fontWeight={600}
						fill="var(--on-tape)"
					>
						{(n / blade.numbered) * blade.says}
					</text>
				)}
			</g>,
		);
	}
	return (
		<svg
			aria-hidden="true"
			className="absolute inset-x-0 top-0 h-5 w-full max-sm:hidden"
			viewBox="0 0 900 20"
			preserveAspectRatio="xMinYMin slice"
		>
			{value !== null && marks}
			{value !== null && (
				<path d="M200 0v20" stroke="#a1160b" strokeWidth={3} />
			)}
			{value === null && (
				<path
					d="M0 1H900"
					stroke="var(--on-tape)"
					strokeWidth={2}
					strokeDasharray="1 16"
				/>
			)}
		</svg>
	);
}
