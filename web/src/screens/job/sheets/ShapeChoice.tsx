import { useCatalogue } from "../../../api/book";
import type { FieldError, Held } from "../../../api/types";
import { LengthField } from "../../../parts/LengthField";
import { Pick } from "../../../parts/Pick";
import { Stepper } from "../../../parts/Stepper";
import { Tick } from "../../../parts/Tick";

type Shape = Held["shape"];

/** What form the opening has; each form has its own walk. */
export function ShapeChoice({
	shape,
	sizing,
	onChange,
	error,
}: {
	shape: Shape;
	sizing: string;
	onChange: (s: Shape) => void;
	error?: FieldError;
}) {
	const catalogue = useCatalogue();
	// Round seats, tubes and dropped panes have one form.
	if (sizing === "port" || sizing === "tube" || sizing === "track") return null;
	const kinds = (catalogue.data?.shapes ?? []).filter(
		(k) => k.kind !== "rectangle",
	);
	const kind = kinds.find((k) => k.kind === shape.kind);
	const options = [
		{ value: "plain", label: "rectangle, read all round" },
		...kinds.map((k) => ({ value: k.kind, label: k.name })),
		...(shape.drawn ? [{ value: "drawn", label: "as drawn" }] : []),
	];
	return (
		<section>
			<h3 className="mb-1.5 font-semibold">The opening is</h3>
			<Pick
				label="Shape of the opening"
				value={shape.kind === "" ? "plain" : shape.kind}
				onChange={(k) =>
					onChange({ ...shape, kind: k === "plain" ? "" : k, count: 0 })
				}
				options={options}
			/>
			{error && (
				<p role="alert" className="mt-2 border-l-4 border-stop pl-2 text-stop">
					{error.why}; {error.cure}.
				</p>
			)}
			{kind?.counted && (
				<div className="mt-3">
					<Stepper
						name={kind.counted}
						value={shape.count || 6}
						least={3}
						most={24}
						onChange={(count) => onChange({ ...shape, count })}
					/>
				</div>
			)}
			{shape.kind === "drawn" && (
				<Traced shape={shape} onChange={onChange} error={error} />
			)}
			<div className="mt-2">
				<Tick
					checked={shape.curved === true}
					onChange={(curved) => onChange({ ...shape, curved })}
				>
					The pane is bent: ask for chord and rise
				</Tick>
			</div>
		</section>
	);
}

/** How a drawn outline was traced. */
function Traced({
	shape,
	onChange,
}: {
	shape: Shape;
	onChange: (s: Shape) => void;
	error?: FieldError;
}) {
	const trace = shape.trace;
	return (
		<div className="mt-3 flex flex-col gap-3">
			<Pick
				label="The line was traced"
				value={trace?.along ?? "no"}
				onChange={(along) =>
					onChange({
						...shape,
						trace:
							along === "no"
								? undefined
								: { pen: 1, lean: 0.5, ...trace, along },
					})
				}
				options={[
					{ value: "no", label: "not traced" },
					{ value: "opening", label: "inside the opening" },
					{ value: "pane", label: "round the old pane" },
				]}
			/>
			{trace && (
				<div className="grid grid-cols-2 gap-3">
					<LengthField
						label="Width of the line"
						value={trace.pen}
						onChange={(pen) => onChange({ ...shape, trace: { ...trace, pen } })}
					/>
					<LengthField
						label="Pen stands off its guide"
						value={trace.lean}
						onChange={(lean) =>
							onChange({ ...shape, trace: { ...trace, lean } })
						}
					/>
				</div>
			)}
		</div>
	);
}
