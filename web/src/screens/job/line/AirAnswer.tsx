import { useId, useState } from "react";
import { useAir } from "../../../api/hold";
import type { View } from "../../../api/types";
import { Refusal } from "../../../parts/Refusal";
import type { Where } from "./airPlace";

/** Temperature and humidity in one line, in that order. */
export function AirAnswer({ view, place }: { view: View; place: Where }) {
	const id = useId();
	const [text, setText] = useState("");
	const parts = text.replace(/,/g, ".").match(/[-−]?\d+(\.\d+)?/g) ?? [];
	const [c, rh] = parts.map((p) => Number(p.replace("−", "-")));
	const write = useAir(view);
	return (
		<form
			aria-label="The air"
			className="flex flex-wrap items-center gap-2"
			onSubmit={(e) => {
				e.preventDefault();
				if (c !== undefined && rh !== undefined)
					write.mutate({ place, c, rh }, { onSuccess: () => setText("") });
			}}
		>
			<Refusal error={write.error} />
			<label htmlFor={id} className="flex items-center gap-2">
				<span className="sr-only">The air, °C and %</span>
				<input
					id={id}
					value={text}
					onChange={(e) => setText(e.target.value)}
					placeholder="18 50"
					inputMode="decimal"
					maxLength={20}
					autoComplete="off"
					className="font-figure min-h-12 w-32 border-b-2 border-on-tape bg-transparent px-2 text-2xl font-semibold outline-none placeholder:opacity-50"
				/>
				°C %
			</label>
			<button
				type="submit"
				className="min-h-12 shrink-0 border-2 border-on-tape px-5 font-bold disabled:opacity-60"
				disabled={c === undefined || rh === undefined || write.isPending}
			>
				Enter
			</button>
		</form>
	);
}
