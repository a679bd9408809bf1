import { useState } from "react";
import { Link } from "react-router";
import { momentOf } from "../../api/lengths";
import { useChangeReminder, useReminders } from "../../api/records";
import { Refused } from "../../api/refused";
import type { Reminder } from "../../api/types";
import { dayOf } from "../../app/when";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";
import { WhenField } from "../../parts/WhenField";
import { CalendarLink } from "./CalendarLink";

/** What is to be looked at again: what is due, then what comes. */
export function DueList() {
	const due = useReminders();
	if (due.isError) return <p role="alert">{due.error.message}</p>;
	if (!due.data) return <p role="status">…</p>;
	const soon = Date.now() + 14 * 86_400_000;
	const now = due.data.reminders.filter((r) => Date.parse(r.due_at) < soon);
	const later = due.data.reminders.filter((r) => Date.parse(r.due_at) >= soon);
	return (
		<div className="max-w-[64em]">
			{due.data.reminders.length === 0 && (
				<p className="mb-4 max-w-[36em] text-lg text-ink-2">
					Nothing is to be looked at again yet. With every signature the shop is
					reminded by itself: say a sauna stove's rope in a year, the putty of a
					greenhouse light in a fortnight to be painted.
				</p>
			)}
			<Group title="Within a fortnight" list={now} />
			<Group title="Later" list={later} />
			<CalendarLink due={due.data} />
		</div>
	);
}

function Group({ title, list }: { title: string; list: Reminder[] }) {
	if (list.length === 0) return null;
	return (
		<section aria-label={title} className="mb-7">
			<h2 className="mb-1 font-semibold">{title}</h2>
			<ul className="border-t border-rule">
				{list.map((r) => (
					<Line key={r.id} r={r} />
				))}
			</ul>
		</section>
	);
}

function Line({ r }: { r: Reminder }) {
	const [off, setOff] = useState(false);
	const [text, setText] = useState("");
	const write = useChangeReminder(r.id);
	const [unread, setUnread] = useState<Refused | null>(null);
	async function change(state: Reminder["state"], until?: string) {
		setUnread(null);
		try {
			const at = until ? (await momentOf("due_at", until)).at : undefined;
			write.mutate(
				{ state, version: r.version, due_at: at },
				{ onSuccess: () => setOff(false) },
			);
		} catch (e) {
			if (e instanceof Refused) setUnread(e);
		}
	}
	const error = unread ?? write.error;
	const past = Date.parse(r.due_at) < Date.now();
	return (
		<li className="border-b border-rule py-2" data-reminder={r.id}>
			<div className="grid gap-x-5 gap-y-1 sm:grid-cols-[7.5rem_1fr_auto]">
				<strong className={past ? "text-stop" : ""}>
					{dayOf(r.due_at)}
					{past && <span className="block text-sm">due</span>}
				</strong>
				<span className="min-w-0">
					<Link
						to={`/jobs/${r.job}`}
						className="block min-h-11 content-center font-semibold underline-offset-4 hover:underline"
					>
						{r.what}: {r.object}
					</Link>
					<span className="block text-ink-2">
						{r.customer}
						{r.phone && `, ${r.phone}`}
						{r.why && ` · ${r.why}`}
					</span>
				</span>
				<span className="flex items-start gap-2">
					<Button
						disabled={write.isPending}
						onClick={() => void change("done")}
					>
						Done
					</Button>
					<Button kind="quiet" onClick={() => setOff(!off)}>
						another day
					</Button>
				</span>
			</div>
			{off && (
				<div className="mt-2 flex flex-wrap items-end gap-3 sm:pl-[8.75rem]">
					<div className="w-64">
						<WhenField
							label="Put off to"
							value={text}
							onChange={setText}
							error={error?.field("due_at")}
						/>
					</div>
					<Button
						disabled={write.isPending || text.trim() === ""}
						onClick={() => void change("open", text)}
					>
						Put it off
					</Button>
					<Button
						kind="quiet"
						disabled={write.isPending}
						onClick={() => void change("dropped")}
					>
						never again
					</Button>
				</div>
			)}
			<Refusal error={error?.field("due_at") ? null : error} />
		</li>
	);
}
