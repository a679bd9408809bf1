import { Tick } from "./Tick";

/** Whether somebody may come against the pane, asked with plain examples. */
export function StrikeField({
	strike,
	onChange,
}: {
	strike: boolean;
	onChange: (strike: boolean) => void;
}) {
	return (
		<Tick checked={strike} onChange={onChange}>
			Somebody may fall, lean or be thrown against it
			<span className="block text-[0.9375rem] text-ink-2">
				a door that swings · a pane lower than the hip · beside a step or a wet
				floor · where children play · in anything that drives, is towed or sails
			</span>
		</Tick>
	);
}
