import { useRemindersLink } from "../../api/records";
import type { Due } from "../../api/types";
import { useWho } from "../../app/who";
import { FeedLink } from "../../parts/FeedLink";
import { Refusal } from "../../parts/Refusal";

/** The reminders in a calendar: as a file, or by an address that is read again and again. */
export function CalendarLink({ due }: { due: Due }) {
	const { account } = useWho();
	const write = useRemindersLink();
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
			<FeedLink
				path={due.calendar && `/feeds/${due.calendar.token}/reminders.ics`}
				mayChange={account.role === "owner"}
				busy={write.isPending}
				onMake={() => write.mutate("make")}
				onWithdraw={() => write.mutate("withdraw")}
			/>
			<Refusal error={write.error} />
		</section>
	);
}
