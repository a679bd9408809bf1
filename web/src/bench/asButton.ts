/** A part of a drawing cannot be an HTML button; it behaves as one. */
export function asButton(
	act: (() => void) | undefined,
	pressed?: boolean,
): React.SVGProps<SVGGElement> {
	if (!act) return {};
	return {
		role: "button",
		tabIndex: 0,
		"aria-pressed": pressed,
		className:
			"cursor-pointer outline-none [&:focus-visible>polygon]:stroke-[5px] [&:focus-visible>rect]:stroke-[5px] [&:focus-visible>circle]:stroke-[5px]",
		onClick: act,
		onKeyDown: (e) => {
			if (e.key === "Enter" || e.key === " ") {
				e.preventDefault();
				act();
			}
		},
	};
}
