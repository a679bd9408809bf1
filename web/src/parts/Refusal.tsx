import type { Refused } from "../api/refused";

/** What a whole call was refused for, when no field can carry it. */
export function Refusal({ error }: { error: Refused | null }) {
	if (!error) return null;
	return (
		<p
			role="alert"
			className="border-l-4 border-stop bg-stop-wash px-3 py-2 text-stop"
		>
			{error.message}
		</p>
	);
}
