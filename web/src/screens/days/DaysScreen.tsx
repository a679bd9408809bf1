import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, got, type Refused } from "../../api/client";
import type { DayStep, Days } from "../../api/types";
import { usePulse } from "../../api/usePulse";
import { Band } from "../../app/Band";
import { Refusal } from "../../parts/Refusal";
import { Lanes } from "./Lanes";
import { MyDay } from "./MyDay";
import { Promises } from "./Promises";
import { StepWhy } from "./StepWhy";
import { TakeAway } from "./TakeAway";

const key = ["days"];

/** Who does what, when and where, and which promises that keeps. */
export function DaysScreen() {
	usePulse();
	const client = useQueryClient();
	const [picked, setPicked] = useState<DayStep>();
	const days = useQuery<Days, Refused>({
		queryKey: key,
		queryFn: () => got(api.GET("/api/days")),
		refetchInterval: 60_000,
	});
	const take = useMutation<Days, Refused>({
		mutationFn: () => got(api.POST("/api/days")),
		onSuccess: (d) => {
			client.setQueryData(key, d);
			setPicked(undefined);
		},
	});
	const d = days.data;
	const risky = (d?.jobs ?? []).filter((j) => j.promised_at && j.kept < 0.9);
	return (
		<div className="flex h-full flex-col">
			<header className="flex flex-wrap items-baseline justify-between gap-x-8 px-4 pt-3 pb-2 sm:px-7">
				<h1 className="text-[1.375rem] font-semibold">Days</h1>
				{d && (
					<p className="text-ink-2">
						{risky.length === 0
							? "every promise is kept, nine times in ten or better"
							: `${risky.length} of ${d.jobs.filter((j) => j.promised_at).length} promises are not safe`}
					</p>
				)}
			</header>
			{days.isPending && (
				<p role="status" className="flex-1 px-4 sm:px-7">
					Laying out the days …
				</p>
			)}
			<div className="px-4 sm:px-7">
				<Refusal error={days.error ?? take.error} />
			</div>
			{d && d.jobs.length + d.left.length === 0 && <Nothing />}
			{d && d.jobs.length + d.left.length > 0 && (
				<main className="min-h-0 flex-1 overflow-y-auto border-t border-rule">
					<div className="max-sm:hidden">
						<Lanes days={d} picked={picked} onPick={setPicked} />
					</div>
					<MyDay days={d} />
					{picked && (
						<StepWhy step={picked} onLeave={() => setPicked(undefined)} />
					)}
					<Promises days={d} />
					<TakeAway />
				</main>
			)}
			<Band>
				<div className="-mr-3 flex min-w-0 flex-1 flex-wrap items-center justify-between gap-x-4 gap-y-1 bg-tape px-4 py-2 text-on-tape sm:-mr-6 sm:px-6">
					<strong className="text-lg">
						{d && d.moved > 0
							? `${d.moved} steps lie elsewhere than in the plan that was taken`
							: "The days as they stand"}
					</strong>
					<button
						type="button"
						className="min-h-12 shrink-0 border-2 border-on-tape px-5 font-bold disabled:opacity-60"
						disabled={take.isPending || !d}
						onClick={() => take.mutate()}
						data-take
					>
						Plan anew
					</button>
				</div>
			</Band>
		</div>
	);
}

function Nothing() {
	return (
		<main className="flex-1 px-4 py-6 sm:px-7">
			<p className="max-w-[24em] text-3xl font-semibold">
				Nothing is open, so nobody is busy.
			</p>
			<p className="mt-3 max-w-[40em] text-lg text-ink-2">
				Take a pane in: its steps lie down here by themselves, say Tor strips
				the stove at nine, the rope's cement rests over noon, and the door is
				hung at two by whoever is free.
			</p>
		</main>
	);
}
