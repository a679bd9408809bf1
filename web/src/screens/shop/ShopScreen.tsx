import { Page } from "../../app/Page";
import { useWho } from "../../app/who";
import { BackupLine } from "./BackupLine";
import { LetterheadForm } from "./LetterheadForm";
import { OwnPassword } from "./OwnPassword";
import { People } from "./People";
import { RatesForm } from "./RatesForm";
import { Sessions } from "./Sessions";
import { ShopForm } from "./ShopForm";
import { Suppliers } from "./Suppliers";
import { Weeks } from "./Weeks";

export function ShopScreen() {
	const { account } = useWho();
	return (
		<Page title="Shop">
			<div className="grid max-w-[72em] gap-x-14 gap-y-10 lg:grid-cols-2">
				<div className="flex flex-col gap-10">
					<People />
					<Weeks />
					{account.role === "owner" && <Suppliers />}
				</div>
				<div className="flex flex-col gap-10">
					{account.role === "owner" && <ShopForm />}
					{account.role === "owner" && <LetterheadForm />}
					{account.role === "owner" && <RatesForm />}
					<BackupLine owner={account.role === "owner"} />
					<OwnPassword />
					<Sessions />
				</div>
			</div>
		</Page>
	);
}
