import { Pick } from "../../parts/Pick";
import { Tick } from "../../parts/Tick";

const look = [
	{ key: "hard-band", says: "a hard or shiny band" },
	{ key: "fray", says: "frayed" },
	{ key: "leak-mark", says: "an old leak mark" },
	{ key: "no-nail-mark", says: "a nail leaves no mark" },
] as const;

export type SealKind = "rope" | "rubber";
export type SealSeen = (typeof look)[number]["key"];

/** What an old seal is, and what is seen of it that stands against it. */
export function SealLook({
	kind,
	seen,
	onChange,
}: {
	kind: SealKind;
	seen: SealSeen[];
	onChange: (c: { kind?: SealKind; seen?: SealSeen[] }) => void;
}) {
	return (
		<>
			<Pick
				label="What is it?"
				value={kind}
				onChange={(k) => onChange({ kind: k })}
				options={[
					{ value: "rope", label: "rope or tape" },
					{ value: "rubber", label: "rubber" },
				]}
			/>
			<div className="mt-2 flex flex-wrap gap-x-6">
				{look.map((s) => (
					<Tick
						key={s.key}
						checked={seen.includes(s.key)}
						onChange={(on) =>
							onChange({
								seen: on ? [...seen, s.key] : seen.filter((k) => k !== s.key),
							})
						}
					>
						{s.says}
					</Tick>
				))}
			</div>
		</>
	);
}
