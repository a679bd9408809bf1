import { useState } from "react";
import { useMoments } from "../../api/lengths";
import type { Refused } from "../../api/refused";
import type { DayStep, Days, WhatIf } from "../../api/types";
import { when } from "../../app/when";
import { Button } from "../../parts/Button";
import { Tick } from "../../parts/Tick";
import { WhenField } from "../../parts/WhenField";

/** Another time for a step, or other hands: tried first, with what it costs. */
export function MoveIt({
	days,
	step,
	onTry,
}: {
	days: Days;
	step: DayStep;
	onTry: (what: WhatIf) => void;
}) {
	const now = days.people
		.filter((p) => p.steps.some((s) => s.key === step.key))
		.map((p) => p.id);
	const [people, setPeople] = useState(now);
	const [text, setText] = useState(when(step.from));
	const [wrong, setWrong] = useState<Refused>();
	const moments = useMoments();
	const move = (at: string, by: number[]) =>
		onTry({ move: [{ step: step.key, at, people: by }] });
	const later = (ms: number) =>
		move(new Date(Date.parse(step.from) + ms).toISOString(), now);
	const morning = days.hours.find(
		(h) =>
			new Date(h.from).toDateString() !== new Date(step.from).toDateString() &&
			h.from > step.from,
	);
	return (
		<form
			className="mt-3 max-w-[44em] border-t border-rule pt-3"
			onSubmit={(e) => {
				e.preventDefault();
				setWrong(undefined);
				moments
					.of("when", text)
					.then((at) => at && move(at, people))
					.catch((e: Refused) => setWrong(e));
			}}
			data-move
		>
			<p className="flex flex-wrap gap-2">
				<Button onClick={() => later(3_600_000)}>An hour later</Button>
				{morning && (
					<Button onClick={() => move(morning.from, now)}>
						{when(morning.from)}
					</Button>
				)}
				<Button onClick={() => move(step.from, now)}>
					Just there, and it stays
				</Button>
			</p>
			<div className="mt-3 flex flex-wrap items-end gap-x-8 gap-y-2">
				<fieldset className="flex flex-wrap gap-x-6">
					<legend>Who does it</legend>
					{days.people.map((p) => (
						<Tick
							key={p.id}
							checked={people.includes(p.id)}
							onChange={(on) =>
								setPeople(
									on ? [...people, p.id] : people.filter((id) => id !== p.id),
								)
							}
						>
							{p.name.split(" ")[0]}
						</Tick>
					))}
				</fieldset>
				<div className="w-72">
					<WhenField
						label="When"
						value={text}
						onChange={setText}
						error={wrong?.field("when")}
					/>
				</div>
				<Button type="submit" disabled={people.length === 0}>
					See what it costs
				</Button>
			</div>
		</form>
	);
}
