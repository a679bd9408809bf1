import type { Payer } from "../api/types";
import { TextOf } from "./fields";

type Postal = Payer["postal"];

/** The fields of an address, flat as a form has them. */
export type PostalText = {
	street: string;
	postcode: string;
	city: string;
	country: string;
};

/** Where a field of the answer stands in the form. */
export const postalNames = {
	"postal.street": "street",
	"postal.postcode": "postcode",
	"postal.city": "city",
	"postal.country": "country",
};

export function postalText(p: Postal): PostalText {
	return {
		street: p.street ?? "",
		postcode: p.postcode ?? "",
		city: p.city ?? "",
		country: p.country ?? "",
	};
}

export function postalOf(f: PostalText): Postal {
	return {
		street: f.street,
		postcode: f.postcode,
		city: f.city,
		country: f.country,
	};
}

/** Street, postcode, place and country of the form. */
export function PostalOf() {
	return (
		<>
			<TextOf label="Street and number" name="street" maxLength={120} />
			<div className="grid grid-cols-[7rem_1fr_6rem] gap-3 max-sm:grid-cols-2">
				<TextOf label="Postcode" name="postcode" maxLength={20} />
				<TextOf label="Place" name="city" maxLength={80} />
				<TextOf
					label="Country"
					hint="two letters"
					name="country"
					maxLength={2}
				/>
			</div>
		</>
	);
}
