import { usePromise } from "../../api/days";
import type { DayReady } from "../../api/types";
import { sayable, when } from "../../app/when";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";

/** A job that nobody has promised yet: by when it can be, and how surely, with a tap. */
export function PromiseIt({ j }: { j: DayReady }) {
	const write = usePromise(j.job);
	if (j.promised_at || !j.nine) return null;
	const nine = sayable(j.nine);
	const sure = j.sure && sayable(j.sure) !== nine ? sayable(j.sure) : null;
	return (
		<p className="flex flex-wrap gap-2 pb-2" data-promise-it={j.job}>
			<Button disabled={write.isPending} onClick={() => write.mutate(nine)}>
				Promise {when(nine)}, 90 in 100 on time
			</Button>
			{sure && (
				<Button
					kind="quiet"
					disabled={write.isPending}
					onClick={() => write.mutate(sure)}
				>
					{when(sure)}, 99 in 100
				</Button>
			)}
			<Refusal error={write.error} />
		</p>
	);
}
