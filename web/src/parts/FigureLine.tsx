import { Collapsible } from "radix-ui";
import type { Figure } from "../api/types";
import { Inches } from "../app/Inches";
import { Scale } from "./Scale";
import { WorkingView } from "./WorkingView";

const words: Record<Figure["verdict"], string> = {
	stop: "Stop.",
	warn: "Look again.",
	good: "",
	note: "",
};

/** One computed number as a sentence; a tap opens its working. */
export function FigureLine({ figure }: { figure: Figure }) {
	const loud = figure.verdict === "stop" || figure.verdict === "warn";
	const tone =
		figure.verdict === "stop"
			? "border-stop bg-stop-wash"
			: figure.verdict === "warn"
				? "border-warn bg-warn-wash"
				: "border-transparent";
	return (
		<Collapsible.Root
			className={`border-l-4 border-b border-b-rule ${tone}`}
			data-figure={figure.key}
		>
			<Collapsible.Trigger className="group grid min-h-14 w-full grid-cols-[6.5rem_1fr_1.5rem] items-start gap-x-3 px-3 py-2 text-left">
				<span className="font-figure text-[1.4375rem] leading-7 font-semibold whitespace-nowrap">
					<Inches>{figure.text}</Inches>
					{figure.other && (
						<span className="block text-sm leading-4 font-medium whitespace-normal text-ink-2">
							<Inches>{figure.other}</Inches>
						</span>
					)}
				</span>
				<span>
					{loud && (
						<strong
							className={figure.verdict === "stop" ? "text-stop" : "text-warn"}
						>
							{words[figure.verdict]}{" "}
						</strong>
					)}
					{figure.sentence}
					<Scale figure={figure} />
				</span>
				<span
					aria-hidden="true"
					className="moves text-xl text-ink-3 group-data-[state=open]:rotate-90"
				>
					›
				</span>
				<span className="sr-only">show the working</span>
			</Collapsible.Trigger>
			<Collapsible.Content className="px-3 pb-3">
				<WorkingView figure={figure} />
			</Collapsible.Content>
		</Collapsible.Root>
	);
}
