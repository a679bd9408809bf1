import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, got, type Refused } from "../../api/client";
import type { DayReady } from "../../api/types";
import { when } from "../../app/when";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";

const half = 30 * 60_000;

/** The next half hour: a promise is one that people can say. */
function sayable(iso: string): string {
	return new Date(Math.ceil(Date.parse(iso) / half) * half).toISOString();
}

/** A job that nobody has promised yet: by when it can be, and how surely, with a tap. */
export function PromiseIt({ j }: { j: DayReady }) {
	const client = useQueryClient();
	const write = useMutation<unknown, Refused, string>({
		mutationFn: async (at) => {
			const path = { id: j.job };
			const { job } = await got(
				api.GET("/api/jobs/{id}", { params: { path } }),
			);
			return got(
				api.PUT("/api/jobs/{id}", {
					params: { path },
					body: {
						story: job.story,
						place: job.place,
						promised_at: at,
						version: job.version,
					},
				}),
			);
		},
		onSuccess: () => {
			for (const key of ["days", "today", "jobs", "job"])
				void client.invalidateQueries({ queryKey: [key] });
		},
	});
	if (j.promised_at || !j.nine) return null;
	const nine = sayable(j.nine);
	const sure = j.sure && sayable(j.sure) !== nine ? sayable(j.sure) : null;
	return (
		<p className="flex flex-wrap gap-2 pb-2" data-promise-it={j.job}>
			<Button disabled={write.isPending} onClick={() => write.mutate(nine)}>
				Promise {when(nine)}, kept 9 times in 10
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
