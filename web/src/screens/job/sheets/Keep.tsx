import type { Refused } from "../../../api/refused";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";

/** The end of a sheet: why it was not kept, and the button that keeps it. */
export function Keep({
	write,
	onKeep,
}: {
	write: { isPending: boolean; error: Refused | null };
	onKeep: () => void;
}) {
	return (
		<>
			<Refusal error={write.error} />
			<Button kind="now" disabled={write.isPending} onClick={onKeep}>
				Save
			</Button>
		</>
	);
}
