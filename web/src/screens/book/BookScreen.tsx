import type { ComponentType } from "react";
import { useParams } from "react-router";
import { useCatalogue } from "../../api/book";
import type { Catalogue } from "../../api/types";
import { Page } from "../../app/Page";
import { Tabs } from "../../parts/Tabs";
import { CautionPage } from "./CautionPage";
import { FamilyPage } from "./FamilyPage";
import { HeatPage } from "./HeatPage";
import { MaterialPage } from "./MaterialPage";
import { StockPage } from "./StockPage";
import { TouchPage } from "./TouchPage";
import { UsualPage } from "./UsualPage";

const pages: {
	key: string;
	name: string;
	Show: ComponentType<{ book: Catalogue }>;
}[] = [
	{ key: "materials", name: "Materials", Show: MaterialPage },
	{ key: "held", name: "Ways of holding", Show: FamilyPage },
	{ key: "touch", name: "What touches what", Show: TouchPage },
	{ key: "heat", name: "Heat, frames, cutters", Show: HeatPage },
	{ key: "stock", name: "Stock sizes", Show: StockPage },
	{ key: "usual", name: "Rules of thumb", Show: UsualPage },
	{ key: "cautions", name: "Cautions", Show: CautionPage },
];

/** The reference: what the program knows, each value with where it is from. */
export function BookScreen() {
	const { page } = useParams();
	const book = useCatalogue();
	const here = pages.find((p) => p.key === page) ?? pages[0];
	return (
		<Page title="Book" page={here && `${here.name}, Book`}>
			<Tabs name="Book" under="/book" all={pages} here={here} />
			{book.data && here ? (
				<here.Show book={book.data} />
			) : (
				<p role="status">Opening it …</p>
			)}
		</Page>
	);
}
