import { useEndSession, useSessions } from "../../api/session";
import { when } from "../../app/when";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";
import { deviceName } from "./device";

/** Where one is signed in, with a way to end each. */
export function Sessions() {
	const all = useSessions();
	const end = useEndSession();
	return (
		<section>
			<h2 className="text-2xl font-semibold">Where you are signed in</h2>
			<ul className="mt-3 border-t border-rule">
				{all.data?.map((s) => (
					<li
						key={s.id}
						className="flex flex-wrap items-center justify-between gap-x-4 border-b border-rule py-2"
					>
						<p>
							<strong className="font-semibold">{deviceName(s.device)}</strong>
							{s.here && ", this one"}
							<span className="block text-[0.9375rem] text-ink-2">
								from {s.address}, last used {when(s.seen)}
							</span>
						</p>
						{!s.here && (
							<Button
								kind="quiet"
								disabled={end.isPending}
								onClick={() => end.mutate(s.id)}
							>
								sign it out
							</Button>
						)}
					</li>
				))}
			</ul>
			<Refusal error={end.error} />
		</section>
	);
}
