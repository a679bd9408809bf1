import { useMutation } from "@tanstack/react-query";
import { api, got, type Refused } from "../../api/client";
import type { Account } from "../../api/types";
import { Refusal } from "../../parts/Refusal";

/** A one-time word for somebody who has lost their password. */
export function GiveWord({ person }: { person: Account }) {
	const make = useMutation<{ word: string }, Refused>({
		mutationFn: () =>
			got(
				api.POST("/api/people/{id}/word", {
					params: { path: { id: person.id } },
				}),
			),
	});
	if (make.data) {
		return (
			<p role="status" className="py-1">
				Tell {person.name} this word:{" "}
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
