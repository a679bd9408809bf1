type Props = {
	origin: string;
	names: Record<string, string>;
	onPick: (origin: string) => void;
	disabled: boolean;
	/** Colour of the glass, by its edge. */
	edge: string;
};

/** Cracks that run from each start, drawn in wax. */
const cracks: Record<string, string> = {
	edge: "M150 188 138 120 96 70 60 12M138 120l70-34 74-70M150 188",
	corner: "M18 188 90 120 160 96 282 80M90 120l20 68M90 120 60 12",
	middle:
		"M150 100 60 12M150 100 18 120M150 100 110 188M150 100 240 188M150 100 282 80M150 100 200 12",
	fixing: "M78 186 104 128 150 96 190 12M104 128 18 96M150 96l132 24",
	hole: "M216 62 282 40M216 62 190 12M206 70 120 110 60 188M212 74l40 114",
};

const targets: { id: string; d: string }[] = [
	{ id: "middle", d: "M96 62H190V140H96Z" },
	{ id: "edge", d: "M100 144H250V188H100Z" },
	{ id: "edge", d: "M100 12H190V56H100Z" },
	{ id: "corner", d: "M18 12H60V56H18Z" },
	{ id: "corner", d: "M240 144H282V188H240Z" },
	{ id: "corner", d: "M18 144H54V188H18Z" },
	{ id: "fixing", d: "M56 160H100V204H56Z" },
	{ id: "hole", d: "M194 40H238V84H194Z" },
];

/** The broken pane: tap where the cracks start. */
export function BrokenPane({ origin, names, onPick, disabled, edge }: Props) {
	return (
		// biome-ignore lint/a11y/useSemanticElements: a drawing is a group of parts, not of form fields
		<svg
			viewBox="-14 -14 328 232"
			className="absolute inset-0 size-full"
			role="group"
			aria-label="The broken pane"
		>
			<path
				fillRule="evenodd"
				d="M-10 -10H310V214H-10ZM12 6V194H288V6Z"
				fill="var(--metal)"
				stroke="var(--ink)"
				strokeWidth={1.5}
			/>
			<rect
				x={18}
				y={12}
				width={264}
				height={176}
				fill={`var(--fill-${edge})`}
				stroke="var(--ink)"
				strokeWidth={3}
			/>
			<circle
				cx={216}
				cy={62}
				r={8}
				fill="var(--lit)"
				stroke="var(--ink)"
				strokeWidth={1.5}
			/>
			<path
				d="M66 176h24v26H66zM210 176h24v26h-24z"
				fill="var(--metal)"
				stroke="var(--ink)"
				strokeWidth={1.5}
			/>
			{targets.map((t, n) => (
				// biome-ignore lint/a11y/useSemanticElements: a part of a drawing cannot be an HTML button
				<path
					// biome-ignore lint/suspicious/noArrayIndexKey: the targets never change
					key={n}
					d={t.d}
					role="button"
					tabIndex={disabled ? -1 : 0}
					aria-label={`cracks start ${names[t.id] ?? t.id}`}
					aria-pressed={origin === t.id}
					data-origin={t.id}
					fill={origin === t.id ? "var(--now)" : "var(--now-wash)"}
					fillOpacity={origin === t.id ? 0.18 : 0.35}
					stroke="var(--now)"
					strokeDasharray="3 4"
					className="cursor-pointer outline-none focus-visible:stroke-[4px]"
					onClick={() => !disabled && onPick(t.id)}
					onKeyDown={(e) => {
						if (!disabled && (e.key === "Enter" || e.key === " ")) {
							e.preventDefault();
							onPick(t.id);
						}
					}}
				/>
			))}
			{origin && (
				<path
					d={cracks[origin]}
					fill="none"
					stroke="var(--wax)"
					strokeWidth={2.5}
					strokeLinejoin="round"
					className="pointer-events-none"
				/>
			)}
		</svg>
	);
}
