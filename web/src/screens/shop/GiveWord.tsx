import { useOneTimeCode } from "../../api/people";
import type { Account } from "../../api/types";
import { Refusal } from "../../parts/Refusal";

/** A one-time word for somebody who has lost their password. */
export function GiveWord({ person }: { person: Account }) {
	const make = useOneTimeCode(person);
	if (make.data) {
		return (
			<p role="status" className="py-1">
				Tell {person.name} this code:{" "}
				<strong className="text-xl font-semibold tracking-wide">
					{make.data.word}
				</strong>
				<span className="block text-[0.9375rem] text-ink-2">
					It sets a new password once, within a day, and is not shown again.
				</span>
			</p>
		);
	}
	return (
		<>
			<button
				type="button"
				className="min-h-11 text-[0.9375rem] text-ink-2 underline underline-offset-4"
				disabled={make.isPending}
				onClick={() => make.mutate()}
			>
				lost the password? make a one-time code
			</button>
			<Refusal error={make.error} />
		</>
	);
}
