import { asButton } from "./asButton";

/** What is pressed over a bar and its name. */
export function BarButton({
	label,
	act,
	...at
}: {
	label: string;
	/** Undefined where nothing opens. */
	act?: () => void;
	x: number;
	y: number;
	width: number;
	height: number;
}) {
	if (!act) return null;
	return (
		<g {...asButton(act)} data-bar-button aria-label={label}>
			<rect {...at} fill="transparent" stroke="var(--ink)" strokeWidth={0} />
		</g>
	);
}
