import { Collapsible } from "radix-ui";
import type { View } from "../../../api/types";
import { Inches } from "../../../app/Inches";
import { WorkingView } from "../../../parts/WorkingView";

/** The answer as a sentence; its two numbers open. Small where another is asked for. */
export function OrderLine({
	view,
	small = false,
}: {
	view: View;
	small?: boolean;
}) {
	const { fit, pane, first, assumed, figures, road } = view.reckoning;
	if (!road.sized) {
		const { part } = view.pane.road;
		return (
			<div className="border-b border-rule pb-3">
				<p className="text-ink-2">{road.name}</p>
				<p
					className={
						small ? "font-semibold" : "text-[1.625rem] leading-8 font-semibold"
					}
					data-headline={road.id}
				>
					{road.headline}
				</p>
				{road.part && !road.noted && (
					<p className="text-lg">No number yet: note it at Source.</p>
				)}
				{(part.box ?? []).length > 0 && (
					<p className="text-ink-2">in its box: {part.box?.join(", ")}</p>
				)}
			</div>
		);
	}
	if (!fit.ready) {
		return (
			<div className="border-b border-rule pb-3">
				<p className="text-ink-2">
					{fit.read} of {fit.asked} readings
				</p>
				<p
					className={
						small ? "font-semibold" : "text-2xl leading-8 font-semibold"
					}
					data-order="none"
				>
					{view.pane.shape.kind === "" &&
					fit.missing.some((m) => m.place === "width_top")
						? "No size yet: a width and a height are needed."
						: `No size yet: ${fit.missing.length} readings are wanted.`}
				</p>
			</div>
		);
	}
	const { withheld, instead } = view.reckoning;
	if (withheld) {
		return (
			<div className="border-b border-rule pb-3">
				<p className="text-ink-2">
					With {fit.read} of {fit.asked} readings
				</p>
				<p
					className={
						small ? "font-semibold" : "text-2xl leading-8 font-semibold"
					}
					data-order="none"
				>
					No order yet: {withheld}.
				</p>
			</div>
		);
	}
	const parts = figures.filter((f) => f.key.startsWith("order_"));
	return (
		<Collapsible.Root className="border-b border-rule">
			<p className="text-ink-2">
				With {fit.read} of {fit.asked} readings
				{fit.missing.length > 0 && `, ${fit.missing.length} still wanted`}
			</p>
			<Collapsible.Trigger className="group w-full pb-2 text-left">
				<span
					className={`font-figure font-semibold ${small ? "text-xl" : "text-[1.8125rem] leading-9"}`}
					data-order={`${fit.order.w} ${fit.order.h}`}
				>
					Order <Size view={view} side="main" /> {view.unit}
				</span>
				<Form view={view} />
				<span className="block text-lg leading-6">
					{assumed && road.settled
						? first
							? `not chosen yet; best choice: ${first}`
							: "not chosen yet"
						: `in ${pane}`}
					, ±{view.reckoning.band.main} {view.unit}{" "}
					<span
						aria-hidden="true"
						className="moves inline-block text-ink-3 group-data-[state=open]:rotate-90"
					>
						›
					</span>
					<span className="sr-only">show the working</span>
				</span>
				<span className="block text-ink-2">
					<Size view={view} side="other" />
				</span>
				{instead && (
					<span className="block border-l-4 border-warn pl-3" data-instead>
						{instead}.
					</span>
				)}
			</Collapsible.Trigger>
			<Collapsible.Content className="flex flex-col gap-3 pb-3">
				{parts.map((f) => (
					<div key={f.key}>
						<p className="font-semibold">{f.sentence}</p>
						<WorkingView figure={f} />
					</div>
				))}
			</Collapsible.Content>
		</Collapsible.Root>
	);
}

/** How large it is, in the words of its form: across, long, or width × height. */
function Size({ view, side }: { view: View; side: "main" | "other" }) {
	const { fit, order_w, order_h } = view.reckoning;
	if (fit.form === "tube") return <Inches>{order_h[side]}</Inches>;
	if (fit.form === "round" || fit.form === "circle") {
		return (
			<>
				⌀ <Inches>{order_w[side]}</Inches>
			</>
		);
	}
	return (
		<>
			<Inches>{order_w[side]}</Inches> × <Inches>{order_h[side]}</Inches>
		</>
	);
}

const said = ["width", "height", "diameter", "length"];

/** The form and the measures that the size does not say. */
function Form({ view }: { view: View }) {
	const { fit, makes } = view.reckoning;
	if (fit.form === "rectangle" || fit.form === "") return null;
	const rest = makes.filter((m) => !said.includes(m.key));
	return (
		<span className="block text-lg leading-6" data-form={fit.form}>
			{fit.form}
			{rest.map((m) => (
				<span key={m.key}>
					, {m.name} <Inches>{m.shown.main}</Inches>
				</span>
			))}
		</span>
	);
}
