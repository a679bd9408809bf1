import type { Coated, FieldError, Material } from "../api/types";
import { Button } from "./Button";
import { LengthField } from "./LengthField";
import { PackPaneFields } from "./PackPaneFields";

const usual = { material: "toughened", thickness: 4, coat: "none" } as const;

/** The panes of a pack from the hot side outwards, with the gaps between. */
export function PackFields({
	panes,
	gaps,
	materials,
	onChange,
	error,
}: {
	panes: Coated[];
	gaps: number[];
	materials: Material[];
	onChange: (panes: Coated[], gaps: number[]) => void;
	error: (field: string) => FieldError | undefined;
}) {
	// A mirror and a sealed unit are no panes of a pack.
	const sheets = materials.filter((m) => !m.only && !m.other);
	const change = (n: number, p: Partial<Coated>) =>
		onChange(
			panes.map((x, i) => (i === n ? { ...x, ...p } : x)),
			gaps,
		);
	return (
		<>
			{panes.map((p, n) => (
				<div
					// biome-ignore lint/suspicious/noArrayIndexKey: a pane is its place
					key={n}
					className="border-t border-rule pt-3"
				>
					<PackPaneFields
						number={n}
						pane={p}
						materials={sheets}
						onChange={(c) => change(n, c)}
						onDrop={
							panes.length > 1
								? () =>
										onChange(
											panes.filter((_, i) => i !== n),
											gaps.filter((_, i) => i !== Math.max(0, n - 1)),
										)
								: undefined
						}
					/>
					{n < panes.length - 1 && (
						<div className="mt-2 w-40">
							<LengthField
								label={`gap ${n + 1}`}
								value={gaps[n] ?? 16}
								onChange={(g) =>
									onChange(
										panes,
										gaps.map((x, i) => (i === n ? g : x)),
									)
								}
								error={error(`gaps[${n}]`)}
							/>
						</div>
					)}
				</div>
			))}
			{panes.length < 4 && (
				<div>
					<Button
						onClick={() =>
							onChange(
								[...panes, usual],
								panes.length > 0 ? [...gaps, 16] : gaps,
							)
						}
					>
						{panes.length > 0 ? "One more pane" : "The innermost pane"}
					</Button>
				</div>
			)}
		</>
	);
}
