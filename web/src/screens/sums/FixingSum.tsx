import { Link, useParams } from "react-router";
import { BradSum, PuttySum, ReuseSum, RivetSum } from "./fixings";

const all = [
	{ key: "rivet", name: "a bolt for a rivet", Sum: RivetSum },
	{ key: "reuse", name: "an old gasket again", Sum: ReuseSum },
	{ key: "brad", name: "a brad", Sum: BradSum },
	{ key: "putty", name: "putty", Sum: PuttySum },
];

/** What holds and seals it: bolts for rivets, gaskets again, brads, putty. */
export function FixingSum() {
	const { part } = useParams();
	const here = all.find((a) => a.key === part) ?? all[0];
	return (
		<section aria-label="What holds it?">
			<h2 className="text-2xl font-semibold">What holds it?</h2>
			<nav aria-label="Fixings" className="mb-3 flex flex-wrap gap-x-5">
				{all.map((a) => (
					<Link
						key={a.key}
						to={`/sums/fixings/${a.key}`}
						aria-current={a === here ? "page" : undefined}
						className={`min-h-11 content-center underline-offset-4 ${a === here ? "font-semibold text-now" : "underline"}`}
					>
						{a.name}
					</Link>
				))}
			</nav>
			{here && <here.Sum />}
		</section>
	);
}
