import { useChangeLetterhead, useLetterhead } from "../../api/shop";
import type { Letterhead } from "../../api/types";
import { Form, useFilled } from "../../form/Form";
import { TextOf } from "../../form/fields";
import { PostalOf, postalNames, postalOf, postalText } from "../../form/postal";
import { Button } from "../../parts/Button";

/** Where a field of the answer stands in the form. */
const names = {
	...postalNames,
	"bank.holder": "holder",
	"bank.iban": "iban",
	"bank.bic": "bic",
};

/** What stands on every paper: where the shop is, how it is reached, where one pays to. */
export function LetterheadForm() {
	const head = useLetterhead();
	if (!head.data) return null;
	return <LetterheadOf key={head.data.version} head={head.data} />;
}

function LetterheadOf({ head }: { head: Letterhead }) {
	const { postal, bank } = head;
	const filled = useFilled({
		...postalText(postal),
		phone: head.phone ?? "",
		mail: head.mail ?? "",
		tax_number: head.tax_number ?? "",
		holder: bank.holder ?? "",
		iban: bank.iban ?? "",
		bic: bank.bic ?? "",
		currency: head.currency ?? "",
	});
	const write = useChangeLetterhead();
	return (
		<Form
			label="On every paper"
			filled={filled}
			write={write}
			names={names}
			body={(f) => ({
				postal: postalOf(f),
				phone: f.phone,
				mail: f.mail,
				tax_number: f.tax_number,
				bank: { holder: f.holder, iban: f.iban, bic: f.bic },
				currency: f.currency,
				version: head.version,
			})}
		>
			<h2 className="text-2xl font-semibold">On every paper</h2>
			<PostalOf />
			<div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
				<TextOf label="Phone" name="phone" inputMode="tel" maxLength={40} />
				<TextOf label="Mail" name="mail" maxLength={120} />
				<TextOf label="Tax number" name="tax_number" maxLength={40} />
				<TextOf
					label="Currency"
					hint="three letters; with EUR an invoice has a code for the bank"
					name="currency"
					maxLength={3}
				/>
				<TextOf label="Account of" name="holder" maxLength={70} />
				<TextOf label="BIC" hint="may be left out" name="bic" maxLength={11} />
			</div>
			<TextOf label="IBAN" name="iban" maxLength={42} />
			<div className="flex items-center gap-4">
				<Button type="submit" disabled={write.isPending}>
					Save what is on papers
				</Button>
				{write.isSuccess && <span role="status">Saved.</span>}
			</div>
		</Form>
	);
}
