import type { Exposure } from "../../api/types";
import { Choice } from "../../parts/Choice";
import { TextField } from "../../parts/Field";
import { LayoutFields } from "../../parts/LayoutFields";
import { MovesField } from "../../parts/MovesField";
import { Pick } from "../../parts/Pick";
import { StrikeField } from "../../parts/StrikeField";
import { Tick } from "../../parts/Tick";
import { asksPlace, type QuestionProps } from "./form";

export function WhatQuestion({
	form,
	set,
	error,
	exposures,
}: QuestionProps & { exposures: Exposure[] }) {
	const usual = exposures.find((e) => e.id === form.exposure);
	const steady = Number(form.steady.replace(",", "."));
	const notNumber = form.steady.trim() !== "" && Number.isNaN(steady);
	return (
		<div className="flex flex-col gap-5">
			<TextField
				label="The object, and which pane of it"
				placeholder="sauna stove, door pane"
				value={form.object}
				onChange={(object) => set({ object })}
				error={error("object")}
				autoFocus
				maxLength={120}
			/>
			<Several form={form} set={set} error={error} />
			<Pick
				wide
				label="What the pane sees"
				value={form.exposure}
				onChange={(exposure) => set({ exposure })}
				options={exposures.map((e) => ({
					value: e.id,
					label: e.name,
					hint: `${e.hint} · about ${e.steady} °C`,
				}))}
			/>
			{asksPlace(form) && (
				<div>
					<h2 className="mb-2 font-semibold">
						Where does it stand in the door?
					</h2>
					<Pick
						wide
						label="Where does it stand in the door?"
						value={form.stands || "inner"}
						onChange={(s) => set({ stands: s as typeof form.stands })}
						options={[
							{
								value: "inner",
								label: "Alone, or towards the heat",
								hint: "it gets all of it",
							},
							{
								value: "middle",
								label: "Behind another pane",
								hint: "about two thirds, until its pack is noted",
							},
							{
								value: "outer",
								label: "Outermost, where hands are",
								hint: "less than half, until its pack is noted",
							},
						]}
					/>
				</div>
			)}
			{usual && (
				<div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
					<TextField
						label="Known better? Hot side, °C"
						placeholder={String(usual.steady)}
						inputMode="decimal"
						value={form.steady}
						onChange={(s) => set({ steady: s })}
						error={
							notNumber
								? {
										field: "steady",
										why: "a number is expected",
										cure: "leave it empty when nobody knows",
									}
								: (error("steady") ?? error("short"))
						}
					/>
					<TextField
						label="Stamp in the old pane's corner"
						hint="As it reads; empty when there is none."
						value={form.stamp}
						onChange={(stamp) => set({ stamp })}
						error={error("stamp")}
						maxLength={200}
					/>
				</div>
			)}
			<Choice title="What drives it? Tick all that is so.">
				<div className="grid items-start gap-x-8 sm:grid-cols-2">
					<Tick checked={form.power} onChange={(power) => set({ power })}>
						Mains power in it
					</Tick>
					<Tick checked={form.gas} onChange={(gas) => set({ gas })}>
						Gas in it
					</Tick>
					<MovesField
						vehicle={form.vehicle}
						moves={form.moves}
						// Whoever rides in it can be thrown; a tick that was taken away stays away.
						onChange={(v) =>
							set(v.vehicle && !form.vehicle ? { ...v, strike: true } : v)
						}
					/>
					<Tick
						checked={form.water}
						onChange={(water) =>
							set(water ? { water, strike: true } : { water })
						}
					>
						It floats
					</Tick>
				</div>
			</Choice>
			<Choice title="And the pane?">
				<div className="grid items-start gap-x-8 sm:grid-cols-2">
					<Tick checked={form.leaf} onChange={(leaf) => set({ leaf })}>
						In a door or leaf that comes off
					</Tick>
					<StrikeField
						strike={form.strike}
						onChange={(strike) => set({ strike })}
					/>
					<Tick checked={form.old} onChange={(old) => set({ old })}>
						Old: from before the 1980s, perhaps
					</Tick>
				</div>
			</Choice>
		</div>
	);
}

/** How many panes are broken or have to be seen to. */
function Several({ form, set, error }: QuestionProps) {
	const { layout } = form;
	const many = layout.behind || layout.across * layout.down > 1;
	return (
		<div>
			<Tick
				checked={many}
				onChange={(yes) =>
					set({
						layout: yes
							? { across: 3, down: 1, behind: false }
							: { across: 1, down: 1, behind: false },
					})
				}
			>
				It has several panes, each with its own state
			</Tick>
			{many && (
				<LayoutFields
					layout={layout}
					onChange={(l) => set({ layout: l })}
					error={error("layout.across")}
				/>
			)}
		</div>
	);
}
