import { useDeferredValue, useState } from "react";
import { useLength } from "../../api/lengths";
import type { Refused } from "../../api/refused";
import { TextField } from "../../parts/Field";

/** A length as it was said, both ways. */
export function LengthSum() {
	const [text, setText] = useState("");
	const asked = useDeferredValue(text.trim());
	const q = useLength(asked, { instrument: "tape" });
	const refused = asked ? (q.error as Refused | null) : null;
	return (
		<section>
			<h2 className="mb-3 text-2xl font-semibold">A length</h2>
			<TextField
				label="As it was said"
				placeholder={"4' 2 3/8\" · 23 7/8- · 26.8cm"}
				value={text}
				onChange={setText}
				error={refused?.problem.errors?.[0]}
			/>
			{asked && q.data && (
				<p className="font-figure mt-2 text-2xl font-semibold" data-length>
					{q.data.said}
				</p>
			)}
		</section>
	);
}
