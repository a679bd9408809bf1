/**
 * The blade behind the tape line. Its marks stand still when nothing is typed
 * and run to the value when something is: the red stroke is the reading.
 */
export function TapeBlade({ value }: { value: number | null }) {
	const px = 3.4; // one millimetre on the blade
	const middle = value ?? 0;
	const marks = [];
	const first = Math.floor(middle / 5) * 5 - 130;
	for (let mm = Math.max(0, first); mm <= first + 330; mm += 5) {
		const x = 200 + (mm - middle) * px;
		const tall = mm % 10 === 0;
		marks.push(
			<g key={mm}>
				<path
					d={`M${x} 0v${mm % 50 === 0 ? 17 : tall ? 12 : 7}`}
					stroke="var(--on-tape)"
					strokeWidth={tall ? 1.4 : 1}
				/>
				{mm % 50 === 0 && (
					<text
						x={x + 4}
						y={17}
						fontSize={13}
						fontWeight={600}
						fill="var(--on-tape)"
					>
						{mm / 10}
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
