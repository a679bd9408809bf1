import { useState } from "react";
import { useSignIn } from "../../api/session";
import type { Shop } from "../../api/types";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { Refusal } from "../../parts/Refusal";
import { Door } from "./Door";
import { NewPassword } from "./NewPassword";

export function SignIn({ shop }: { shop?: Shop }) {
	const [login, setLogin] = useState("");
	const [word, setWord] = useState(false);
	return (
		<Door
			title={shop?.name ?? "Fresh Shard"}
			lead={shop?.town ? `Glass repair, ${shop.town}` : "Glass repair"}
		>
			{word ? (
				<NewPassword login={login} onLogin={setLogin} />
			) : (
				<Password login={login} onLogin={setLogin} />
			)}
			<button
				type="button"
				className="mt-4 min-h-11 text-ink-2 underline underline-offset-4"
				onClick={() => setWord(!word)}
			>
				{word ? "I know my password" : "I was given a code"}
			</button>
		</Door>
	);
}

type Named = { login: string; onLogin: (login: string) => void };

function Password({ login, onLogin }: Named) {
	const [password, setPassword] = useState("");
	const enter = useSignIn();
	const wrong = enter.error?.field("password");
	return (
		<form
			className="flex flex-col gap-5"
			onSubmit={(e) => {
				e.preventDefault();
				enter.mutate({ login, password });
			}}
		>
			<TextField
				label="Your sign-in name"
				value={login}
				onChange={onLogin}
				autoComplete="username"
				autoFocus
			/>
			<TextField
				label="Password"
				type="password"
				value={password}
				onChange={setPassword}
				autoComplete="current-password"
				error={wrong}
			/>
			{enter.error && !wrong && <Refusal error={enter.error} />}
			<Button kind="now" type="submit" disabled={enter.isPending}>
				Open the shop
			</Button>
		</form>
	);
}
