/** The edge in section for each way of holding, as a small drawing. */
export function EdgePicture({ seal }: { seal: string }) {
	return (
		<svg
			viewBox="0 0 160 84"
			aria-hidden="true"
			className="my-1 h-24 w-full max-w-56"
		>
			<defs>
				<pattern
					id="edge-cut"
					width="6"
					height="6"
					patternUnits="userSpaceOnUse"
					patternTransform="rotate(45)"
				>
					<rect width="6" height="6" fill="var(--metal)" />
					<path d="M0 0v6" stroke="var(--ink-2)" strokeWidth="1.2" />
				</pattern>
			</defs>
			<path
				d="M6 22h30v34h30v24H6z"
				fill="url(#edge-cut)"
				stroke="var(--ink)"
				strokeWidth="1.5"
			/>
			{seal === "gasket" && <Clip />}
			{seal === "putty" && <Putty />}
			{seal === "bead" && <Bead />}
		</svg>
	);
}

function Glass({ y, edge }: { y: number; edge: string }) {
	return (
		<rect
			x="42"
			y={y}
			width="112"
			height="9"
			fill={`var(--fill-${edge})`}
			stroke={`var(--edge-${edge})`}
			strokeWidth="2.5"
		/>
	);
}

function Clip() {
	return (
		<>
			<rect
				x="42"
				y="48"
				width="24"
				height="8"
				rx="4"
				fill="var(--gasket)"
				stroke="var(--ink-2)"
			/>
			<Glass y={38} edge="amber" />
			<path
				d="M12 16h52v22h-5V21H12z"
				fill="var(--metal)"
				stroke="var(--ink)"
				strokeWidth="1.5"
			/>
			<path d="M18 8h14v8H18z" fill="var(--ink-2)" />
		</>
	);
}

function Putty() {
	return (
		<>
			<rect x="36" y="52" width="30" height="4" fill="var(--gasket)" />
			<Glass y={43} edge="green" />
			<path d="M36 43h28L36 20z" fill="var(--gasket)" stroke="var(--ink-2)" />
			<path d="M26 42h28" stroke="var(--ink)" strokeWidth="2.5" />
		</>
	);
}

function Bead() {
	return (
		<>
			<rect x="42" y="52" width="24" height="4" fill="var(--gasket)" />
			<Glass y={43} edge="green" />
			<path
				d="M37 22h28v21H37z"
				fill="var(--unlit)"
				stroke="var(--ink)"
				strokeWidth="1.5"
			/>
			<path d="M63 33H22" stroke="var(--ink)" strokeWidth="2" />
		</>
	);
}
