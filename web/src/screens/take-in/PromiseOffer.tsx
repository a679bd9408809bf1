import { useDayOffer } from "../../api/days";
import { sayable, span, when } from "../../app/when";
import { Button } from "../../parts/Button";
import { bodyOf, type Form } from "./form";

/** When this job could be promised, as the days lie, with a tap; and what would make it sooner. */
export function PromiseOffer({
	form,
	onPromise,
}: {
	form: Form;
	onPromise: (words: string) => void;
}) {
	const body = bodyOf({ ...form, story: "" });
	const offer = useDayOffer(body);
	if (offer.isPending)
		return (
			<p role="status" className="text-ink-2">
				Looking where it fits into the days …
			</p>
		);
	// What stands in the way is said at its field when the job is taken in.
	if (offer.isError) return null;
	const o = offer.data;
	if (!o.nine)
		return (
			<p className="max-w-[44em]" data-offer="none">
				The days have no time for it yet: {o.why}.
			</p>
		);
	const nine = sayable(o.nine);
	const sure = o.sure && sayable(o.sure) !== nine ? sayable(o.sure) : undefined;
	return (
		<section aria-label="What the days can promise" data-offer={nine}>
			<p className="flex flex-wrap gap-2">
				<Button onClick={() => onPromise(when(nine))} data-offer-nine>
					{when(nine)}, 90 in 100 on time
				</Button>
				{sure && (
					<Button kind="quiet" onClick={() => onPromise(when(sure))}>
						{when(sure)}, 99 in 100
					</Button>
				)}
			</p>
			<p className="mt-1 max-w-[44em] text-ink-2">
				{span(o.minutes)} of work. {o.why}.
			</p>
			{o.sooner && o.ways.length > 0 && (
				<>
					<p className="mt-2">What would make it {when(o.sooner)}:</p>
					<ul className="max-w-[44em] list-disc pl-6" data-sooner>
						{o.ways.map((w) => (
							<li key={w.says}>{w.says}</li>
						))}
					</ul>
				</>
			)}
		</section>
	);
}
