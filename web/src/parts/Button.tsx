import type { ButtonHTMLAttributes } from "react";

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
	...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { kind?: Kind }) {
	return (
		<button
			type="button"
			{...rest}
			className={`min-h-12 px-5 font-semibold disabled:opacity-60 ${looks[kind]} ${className}`}
		/>
	);
}
