import { NavLink } from "react-router";

interface Tab {
	key: string;
	name: string;
}

/** The row of pages of a screen: each has an address, under + "/" + key. */
export function Tabs<T extends Tab>({
	name,
	under,
	all,
	here,
}: {
	name: string;
	under: string;
	all: T[];
	here?: T;
}) {
	return (
		<nav aria-label={name} className="mb-6 flex flex-wrap gap-x-1">
			{all.map((tab) => (
				<NavLink
					key={tab.key}
					to={`${under}/${tab.key}`}
					aria-current={tab === here ? "page" : undefined}
					className={`grid min-h-12 place-items-center border-b-4 px-4 text-lg ${tab === here ? "border-now font-semibold text-now" : "border-transparent text-ink-2 hover:border-rule"}`}
				>
					{tab.name}
				</NavLink>
			))}
		</nav>
	);
}
