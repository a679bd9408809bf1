import { useState } from "react";
import { useOwnPassword } from "../../api/session";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { NewPasswordField } from "../../parts/NewPasswordField";
import { Refusal } from "../../parts/Refusal";

export function OwnPassword() {
	const [old, setOld] = useState("");
	const [fresh, setFresh] = useState("");
	const write = useOwnPassword();
	const shown = write.error?.field("old") ?? write.error?.field("new");
	return (
		<form
			className="flex flex-col gap-5"
			onSubmit={(e) => {
				e.preventDefault();
				write.mutate(
					{ old, new: fresh },
					{
						onSuccess: () => {
							setOld("");
							setFresh("");
						},
					},
				);
			}}
		>
			<h2 className="text-2xl font-semibold">Your password</h2>
			<TextField
				label="Present password"
				type="password"
				value={old}
				onChange={setOld}
				error={write.error?.field("old")}
				autoComplete="current-password"
			/>
			<NewPasswordField
				label="New password"
				value={fresh}
				onChange={setFresh}
				error={write.error?.field("new")}
				hint="Ten characters or more. You are signed out everywhere else."
			/>
			{!shown && <Refusal error={write.error} />}
			<div className="flex items-center gap-4">
				<Button type="submit" disabled={write.isPending || fresh === ""}>
					Change it
				</Button>
				{write.isSuccess && <span role="status">Changed.</span>}
			</div>
		</form>
	);
}
