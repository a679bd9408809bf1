import { useDeferredValue, useState } from "react";
import type { Refused } from "../../api/refused";
import { useThickness } from "../../api/sums";
import { TextField } from "../../parts/Field";
import { FigureLine } from "../../parts/FigureLine";

/** The nominal thickness that a caliper reading belongs to. */
export function ThicknessSum() {
	const [text, setText] = useState("");
	const asked = useDeferredValue(text.trim());
	const q = useThickness(asked);
	const refused = asked ? (q.error as Refused | null) : null;
	return (
		<section>
			<h2 className="mb-3 text-2xl font-semibold">Thickness by caliper</h2>
			<TextField
				label="The caliper reads"
				placeholder="5.02"
				inputMode="text"
				value={text}
				onChange={setText}
				error={refused?.problem.errors?.[0]}
			/>
			{asked && q.data && (
				<div className="mt-2">
					<FigureLine
						figure={{
							...q.data.figure,
							text: `${q.data.nominal} mm`,
							other: q.data.inch.includes("/")
								? `${q.data.inch} in`
								: undefined,
						}}
					/>
				</div>
			)}
		</section>
	);
}
