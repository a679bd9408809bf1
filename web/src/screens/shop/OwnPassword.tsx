import { useOwnPassword } from "../../api/session";
import { Form, useFilled } from "../../form/Form";
import { PasswordOf, TextOf } from "../../form/fields";
import { Button } from "../../parts/Button";

export function OwnPassword() {
	// Passwords are kept on no device.
	const filled = useFilled({ old: "", new: "" });
	const write = useOwnPassword();
	return (
		<Form
			className="flex flex-col gap-5"
			filled={filled}
			write={write}
			body={(f) => f}
		>
			<h2 className="text-2xl font-semibold">Your password</h2>
			<TextOf
				label="Present password"
				type="password"
				name="old"
				autoComplete="current-password"
			/>
			<PasswordOf
				label="New password"
				name="new"
				hint="Ten characters or more. You are signed out everywhere else."
			/>
			<div className="flex items-center gap-4">
				<Button
					type="submit"
					disabled={write.isPending || filled.watch("new") === ""}
				>
					Change it
				</Button>
				{write.isSuccess && <span role="status">Changed.</span>}
			</div>
		</Form>
	);
}
