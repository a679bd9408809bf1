import { useChangeShop } from "../../api/shop";
import { useWho } from "../../app/who";
import { Form, useFilled } from "../../form/Form";
import { PickOf, TextOf } from "../../form/fields";
import { Button } from "../../parts/Button";

const names = { shop_name: "name" };

/** The shop's name, town, address and unit. */
export function ShopForm() {
	const { shop } = useWho();
	const filled = useFilled(shop);
	const write = useChangeShop();
	return (
		<Form
			className="flex flex-col gap-5"
			filled={filled}
			write={write}
			body={(f) => f}
			names={names}
			onDone={filled.reset}
		>
			<h2 className="text-2xl font-semibold">The workshop</h2>
			<TextOf label="Name" name="name" />
			<TextOf label="Town" name="town" />
			<TextOf
				label="Address from outside"
				placeholder="https://shop.example"
				hint="Codes on labels and papers, and calendars, lead there. Without it papers have no code."
				name="address"
				maxLength={200}
			/>
			<div>
				<p className="mb-1 font-semibold">Lengths are typed in</p>
				<PickOf
					label="Unit of a bare number"
					name="unit"
					options={[
						{ value: "mm", label: "millimetres" },
						{ value: "in", label: "inches" },
					]}
				/>
			</div>
			{write.error?.conflict && (
				<Button onClick={() => filled.setValue("version", shop.version)}>
					Go on from what stands now
				</Button>
			)}
			<div className="flex items-center gap-4">
				<Button type="submit" disabled={write.isPending}>
					Save
				</Button>
				{write.isSuccess && <span role="status">Saved.</span>}
			</div>
		</Form>
	);
}
