import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, got, type Refused } from "../../api/client";
import type { Due } from "../../api/types";
import { useWho } from "../../app/who";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";

/** The reminders in a calendar: as a file, or by an address that is read again and again. */
export function CalendarLink({ due }: { due: Due }) {
	const { account } = useWho();
	const client = useQueryClient();
	const write = useMutation<Due, Refused, "make" | "withdraw">({
		mutationFn: (what) =>
			got(
				what === "make"
					? api.POST("/api/reminders/link")
					: api.DELETE("/api/reminders/link"),
			),
		onSuccess: (next) => client.setQueryData(["reminders"], next),
	});
	const owner = account.role === "owner";
	return (
		<section aria-label="In a calendar" className="mt-8">
			<h2 className="font-semibold">In a calendar</h2>
			<p>
				<a
					className="inline-block min-h-11 content-center underline underline-offset-4"
					href="/api/reminders.ics"
				>
					As a file, iCalendar
				</a>
			</p>
			{due.calendar ? (
				<p className="flex flex-wrap items-center gap-x-4">
					<span>
						A calendar that reads it by itself:{" "}
						<code className="break-all" data-calendar>
							{`${window.location.origin}/feeds/${due.calendar.token}/reminders.ics`}
						</code>
					</span>
					{owner && (
						<Button
							kind="quiet"
							disabled={write.isPending}
							onClick={() => write.mutate("withdraw")}
						>
							withdraw it
						</Button>
					)}
				</p>
			) : (
				owner && (
					<Button
						disabled={write.isPending}
						onClick={() => write.mutate("make")}
					>
						Make an address for a calendar
					</Button>
				)
			)}
			<Refusal error={write.error} />
		</section>
	);
}
