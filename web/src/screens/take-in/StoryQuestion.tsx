import type { Catalogue } from "../../api/types";
import { control, Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { RoadFields } from "../../parts/RoadFields";
import { WhenField } from "../../parts/WhenField";
import type { QuestionProps } from "./form";
import { PromiseOffer } from "./PromiseOffer";

export function StoryQuestion({
	form,
	set,
	error,
	catalogue,
}: QuestionProps & { catalogue?: Catalogue }) {
	return (
		<div className="flex flex-col gap-5">
			<Field
				label="In the customer's words"
				hint="When it broke, what was going on, where the cracks start."
				error={error("story")}
			>
				{(a) => (
					<textarea
						{...a}
						rows={3}
						maxLength={1000}
						className={`${control} py-2`}
						value={form.story}
						onChange={(e) => set({ story: e.target.value })}
					/>
				)}
			</Field>
			<RoadFields
				road={form.road}
				family={catalogue?.families.find((f) => f.id === form.family)}
				catalogue={catalogue}
				onChange={(road) => set({ road })}
				error={error}
			/>
			<Pick
				label="Where the work is"
				value={form.place}
				onChange={(place) => set({ place })}
				options={[
					{ value: "bench", label: "comes to the bench" },
					{ value: "site", label: "at the customer's" },
				]}
			/>
			<PromiseOffer form={form} onPromise={(promised) => set({ promised })} />
			<div className="max-w-[20em]">
				<WhenField
					label="Promised for"
					value={form.promised}
					onChange={(promised) => set({ promised })}
					error={error("promised_at")}
					hint="Empty when nothing was promised."
				/>
			</div>
		</div>
	);
}
