import type { FieldError, Layout } from "../api/types";
import { FieldSays } from "./Field";
import { Pick } from "./Pick";
import { Stepper } from "./Stepper";

/** Side by side in columns and rows, or behind one another. */
export function LayoutFields({
	layout,
	onChange,
	error,
}: {
	layout: Layout;
	onChange: (l: Layout) => void;
	error?: FieldError;
}) {
	return (
		<div className="flex flex-col gap-3">
			<Pick
				label="How the panes stand"
				value={layout.behind ? "behind" : "beside"}
				onChange={(v) =>
					onChange({
						...layout,
						behind: v === "behind",
						across: Math.min(layout.across, v === "behind" ? 10 : 20),
					})
				}
				options={[
					{ value: "beside", label: "side by side" },
					{ value: "behind", label: "behind one another" },
				]}
			/>
			<div className="flex gap-6">
				<Stepper
					name={layout.behind ? "panes" : "across"}
					value={layout.across}
					least={1}
					most={layout.behind ? 10 : 20}
					onChange={(across) => onChange({ ...layout, across })}
				/>
				{!layout.behind && (
					<Stepper
						name="down"
						value={layout.down}
						least={1}
						most={20}
						onChange={(down) => onChange({ ...layout, down })}
					/>
				)}
			</div>
			<FieldSays error={error} />
		</div>
	);
}
