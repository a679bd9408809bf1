import { useChangeDaysLink, useDaysLink } from "../../api/days";
import { FeedLink } from "../../parts/FeedLink";
import { Refusal } from "../../parts/Refusal";

/** The days on paper, as a table, and in one's own calendar. */
export function TakeAway() {
	const link = useDaysLink();
	const write = useChangeDaysLink();
	const token = link.data?.link?.token;
	const as =
		"inline-block min-h-11 content-center underline underline-offset-4";
	return (
		<section
			aria-label="On paper and in a calendar"
			className="px-4 py-4 sm:px-7"
		>
			<h2 className="font-semibold">On paper and in a calendar</h2>
			<p className="flex flex-wrap gap-x-8">
				<a className={as} href="/api/days.pdf">
					A sheet for each person, PDF
				</a>
				<a className={as} href="/api/days.csv">
					Who does what when, CSV
				</a>
			</p>
			{link.data && (
				<>
					<p className="text-ink-2">
						Your calendar can show your own days too. Whoever has the address
						reads them.
					</p>
					<FeedLink
						path={token && `/feeds/${token}/days.ics`}
						mayChange
						busy={write.isPending}
						onMake={() => write.mutate("make")}
						onWithdraw={() => write.mutate("withdraw")}
					/>
				</>
			)}
			<Refusal error={link.error ?? write.error} />
		</section>
	);
}
