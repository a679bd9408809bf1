import { useState } from "react";
import { useSetup } from "../../api/session";
import type { Unit } from "../../api/types";
import { useDraft } from "../../app/draft";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { NewPasswordField } from "../../parts/NewPasswordField";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { Door } from "./Door";

const empty = { shop: "", town: "", unit: "mm" as Unit, name: "", login: "" };

export function FirstStart() {
	const [form, set, clear] = useDraft("first-start", empty);
	const [password, setPassword] = useState("");
	const start = useSetup();
	const at = (f: string) => start.error?.field(f);
	const shown = ["shop_name", "town", "name", "login", "password"].some(at);
	return (
		<Door
			title="A new shop"
			lead="Nobody has been here yet. Say whose shop it is; you will be its owner."
		>
			<form
				className="flex flex-col gap-5"
				onSubmit={(e) => {
					e.preventDefault();
					start.mutate(
						{
							shop_name: form.shop,
							town: form.town,
							unit: form.unit,
							owner: {
								name: form.name,
								login: form.login,
								password,
								role: "owner",
							},
						},
						{ onSuccess: clear },
					);
				}}
			>
				<TextField
					label="The shop's name"
					value={form.shop}
					onChange={(shop) => set({ ...form, shop })}
					error={at("shop_name")}
					autoFocus
				/>
				<TextField
					label="Town"
					value={form.town}
					onChange={(town) => set({ ...form, town })}
					error={at("town")}
				/>
				<div>
					<p className="mb-1 font-semibold">Lengths are typed in</p>
					<Pick
						label="Unit of a bare number"
						value={form.unit}
						onChange={(unit) => set({ ...form, unit })}
						options={[
							{ value: "mm", label: "millimetres" },
							{ value: "in", label: "inches" },
						]}
					/>
				</div>
				<TextField
					label="Your name"
					value={form.name}
					onChange={(name) => set({ ...form, name })}
					error={at("name")}
					autoComplete="name"
				/>
				<TextField
					label="Your sign-in name"
					value={form.login}
					onChange={(login) => set({ ...form, login })}
					error={at("login")}
					autoComplete="username"
				/>
				<NewPasswordField
					label="A password"
					value={password}
					onChange={setPassword}
					error={at("password")}
				/>
				{start.error && !shown && <Refusal error={start.error} />}
				<Button kind="now" type="submit" disabled={start.isPending}>
					Open the shop
				</Button>
			</form>
		</Door>
	);
}
