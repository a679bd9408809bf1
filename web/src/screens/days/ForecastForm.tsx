import { useChangeForecast, useForecast } from "../../api/days";
import { when } from "../../app/when";
import { useWho } from "../../app/who";
import { Button } from "../../parts/Button";
import { FilePick } from "../../parts/FilePick";
import { Refusal } from "../../parts/Refusal";

/** Whose word the weather is: a forecast that was taken in, or the made-up shop's station. */
export function ForecastForm() {
	const kept = useForecast();
	const write = useChangeForecast();
	const { madeUp } = useWho();
	const until = kept.data?.until;
	const beyond = madeUp ? "as the simulated station does" : "nobody knows";
	return (
		<section
			aria-label="The weather"
			className="px-4 pt-2 sm:px-7"
			data-forecast={kept.data?.hours}
		>
			<h2 className="font-semibold">The weather</h2>
			<p className="text-ink-2">
				{until
					? `As the forecast says it until ${when(until)}, then ${beyond}.`
					: madeUp
						? "As the simulated station says it."
						: "Nobody took a forecast in: the days are planned as if it were dry."}{" "}
				Nothing is bonded or puttied outdoors under 5 °C, over 85 % or in the
				wet.
			</p>
			<p className="flex flex-wrap gap-x-6">
				<FilePick
					label="take in a forecast, CSV or JSON"
					accept=".csv,.json,text/csv,application/json"
					onText={(text) => write.mutate(text)}
				/>
				{until && (
					<Button kind="quiet" onClick={() => write.mutate(null)}>
						give it up
					</Button>
				)}
			</p>
			<Refusal error={write.error} />
		</section>
	);
}
