import type { Family, Material } from "../../api/types";
import { control, Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";
import { EdgePicture } from "./EdgePicture";
import type { QuestionProps } from "./form";

export function HeldQuestion({
	form,
	set,
	error,
	families,
	materials,
}: QuestionProps & { families: Family[]; materials: Material[] }) {
	return (
		<div className="flex flex-col gap-6">
			<Pick
				wide
				label="What holds the pane"
				value={form.family}
				onChange={(family) => set({ family })}
				options={families.map((f) => ({
					value: f.id,
					label: f.question,
					hint: f.objects.join(", "),
					picture: <EdgePicture seal={f.seal} />,
				}))}
			/>
			<div className="max-w-[28em]">
				<Field
					label="The old pane was, as far as anybody knows"
					error={error("like")}
				>
					{(a) => (
						<select
							{...a}
							className={control}
							value={form.like}
							onChange={(e) => set({ like: e.target.value })}
						>
							<option value="">nobody knows</option>
							{materials.map((m) => (
								<option key={m.id} value={m.id}>
									{m.name}
								</option>
							))}
						</select>
					)}
				</Field>
			</div>
		</div>
	);
}
