import { useState } from "react";
import { useReset } from "../../api/session";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { NewPasswordField } from "../../parts/NewPasswordField";
import { Refusal } from "../../parts/Refusal";

/** A new password with the word that the owner has given. */
export function NewPassword({
	login,
	onLogin,
}: {
	login: string;
	onLogin: (login: string) => void;
}) {
	const [word, setWord] = useState("");
	const [password, setPassword] = useState("");
	const reset = useReset();
	const at = (f: string) => reset.error?.field(f);
	const shown = at("word") ?? at("password");
	return (
		<form
			className="flex flex-col gap-5"
			onSubmit={(e) => {
				e.preventDefault();
				reset.mutate({ login, word, password });
			}}
		>
			<TextField
				label="Your sign-in name"
				value={login}
				onChange={onLogin}
				autoComplete="username"
			/>
			<TextField
				label="The word"
				value={word}
				onChange={setWord}
				error={at("word")}
				hint="Three groups of four, as the owner read it out."
				autoComplete="one-time-code"
				autoFocus
			/>
			<NewPasswordField
				label="A new password"
				value={password}
				onChange={setPassword}
				error={at("password")}
			/>
			{reset.error && !shown && <Refusal error={reset.error} />}
			<Button kind="now" type="submit" disabled={reset.isPending}>
				Set it and open the shop
			</Button>
		</form>
	);
}
