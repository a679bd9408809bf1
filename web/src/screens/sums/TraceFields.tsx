import type { OutlineIn } from "../../api/types";
import { LengthField } from "../../parts/LengthField";
import { Pick } from "../../parts/Pick";

type Trace = OutlineIn["trace"];

/** How a line was traced, and where to cut along it. */
export function TraceFields({
	trace,
	say,
	onChange,
}: {
	trace: Trace;
	say?: string;
	onChange: (t: Trace) => void;
}) {
	return (
		<section aria-label="A traced line" className="flex flex-col gap-3">
			<Pick
				label="The line was traced"
				value={trace?.along ?? "no"}
				onChange={(along) =>
					onChange(
						along === "no" ? undefined : { pen: 1, lean: 0.5, ...trace, along },
					)
				}
				options={[
					{ value: "no", label: "not traced" },
					{ value: "opening", label: "inside the opening" },
					{ value: "pane", label: "round the old pane" },
				]}
			/>
			{trace && (
				<>
					<div className="grid grid-cols-2 gap-3">
						<LengthField
							label="width of the line"
							value={trace.pen}
							onChange={(pen) => onChange({ ...trace, pen })}
						/>
						<LengthField
							label="pen stands off its guide"
							value={trace.lean}
							onChange={(lean) => onChange({ ...trace, lean })}
						/>
					</div>
					{say && (
						<p className="border-l-4 border-now pl-3" data-say>
							On the traced card: <strong>{say}</strong>.
						</p>
					)}
				</>
			)}
		</section>
	);
}
