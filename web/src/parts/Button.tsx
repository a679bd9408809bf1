import type { ButtonHTMLAttributes } from "react";
import { useAnyUnread } from "./unread";

type Kind = "now" | "plain" | "stop" | "quiet";

const looks: Record<Kind, string> = {
	now: "bg-now text-on-now border-2 border-now",
	plain: "border-2 border-ink text-ink hover:bg-now-wash",
	stop: "border-2 border-stop text-stop hover:bg-stop-wash",
	quiet: "underline underline-offset-4 text-ink-2 hover:text-ink px-1",
};

/** A button that a glove can hit. One "now" a screen. */
export function Button({
	kind = "plain",
	className = "",
	disabled,
	...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { kind?: Kind }) {
	const unread = useAnyUnread();
	const saves = kind === "now" || rest.type === "submit";
	return (
		<button
			type="button"
			{...rest}
			disabled={disabled || (saves && unread)}
			className={`min-h-12 px-5 font-semibold disabled:opacity-60 ${looks[kind]} ${className}`}
		/>
	);
}
