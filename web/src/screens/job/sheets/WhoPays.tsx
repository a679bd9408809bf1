import { usePayer } from "../../../api/price";
import type { Priced, View } from "../../../api/types";
import { Form, useFilled } from "../../../form/Form";
import { TextOf } from "../../../form/fields";
import {
	PostalOf,
	postalNames,
	postalOf,
	postalText,
} from "../../../form/postal";
import { Button } from "../../../parts/Button";

/** Who pays, where that is more than a name and a phone. */
export function WhoPays({ view, price }: { view: View; price: Priced }) {
	const { payer } = price;
	const said = [payer.name || view.job.customer.name, payer.postal.street]
		.concat(payer.postal.city, payer.reference)
		.filter((s) => s)
		.join(", ");
	return (
		<details data-payer>
			<summary className="min-h-11 content-center">
				<span className="font-semibold">Who pays:</span> {said}
				{payer.tax_free && `; no tax: ${payer.tax_free}`}
			</summary>
			<PayerForm key={payer.version} view={view} price={price} />
		</details>
	);
}

function PayerForm({ view, price }: { view: View; price: Priced }) {
	const { payer } = price;
	const filled = useFilled({
		name: payer.name ?? "",
		...postalText(payer.postal),
		mail: payer.mail ?? "",
		tax_number: payer.tax_number ?? "",
		tax_free: payer.tax_free ?? "",
		reference: payer.reference ?? "",
	});
	const write = usePayer(view);
	return (
		<Form
			label="Who pays"
			filled={filled}
			write={write}
			names={postalNames}
			body={(f) => ({
				name: f.name,
				mail: f.mail,
				tax_number: f.tax_number,
				tax_free: f.tax_free,
				reference: f.reference,
				postal: postalOf(f),
				version: payer.version,
			})}
		>
			<TextOf
				label="Somebody else than whose it is"
				hint="say an insurer; empty for the customer"
				name="name"
				maxLength={120}
			/>
			<PostalOf />
			<div className="grid grid-cols-2 gap-3">
				<TextOf
					label="Their own number"
					hint="of a claim, of an order"
					name="reference"
					maxLength={60}
				/>
				<TextOf label="Mail" name="mail" maxLength={120} />
				<TextOf label="Their tax number" name="tax_number" maxLength={40} />
				<TextOf
					label="Why no tax is asked"
					hint="empty: tax as usual"
					name="tax_free"
					maxLength={200}
				/>
			</div>
			<div>
				<Button type="submit" disabled={write.isPending}>
					Keep who pays
				</Button>
			</div>
		</Form>
	);
}
