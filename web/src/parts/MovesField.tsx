import { Pick } from "./Pick";
import { Tick } from "./Tick";

type Moves = "" | "road" | "trailer" | "machine";

const kinds = [
	{ value: "road", label: "a road vehicle" },
	{ value: "trailer", label: "a trailer or caravan" },
	{ value: "machine", label: "a machine, a tractor" },
] as const;

/** Whether it drives or is towed, and which of the three it is. */
export function MovesField({
	vehicle,
	moves,
	onChange,
}: {
	vehicle: boolean;
	moves?: Moves;
	onChange: (v: { vehicle: boolean; moves: Moves }) => void;
}) {
	return (
		<div>
			<Tick
				checked={vehicle}
				onChange={(v) => onChange({ vehicle: v, moves: v ? "road" : "" })}
			>
				It drives or is towed
			</Tick>
			{vehicle && (
				<div className="pb-2 pl-11">
					<Pick
						label="Which is it?"
						value={moves || "road"}
						onChange={(m) => onChange({ vehicle, moves: m as Moves })}
						options={[...kinds]}
					/>
				</div>
			)}
		</div>
	);
}
