import { useState } from "react";
import { useAddPerson, useChangePerson, usePeople } from "../../api/people";
import type { Account } from "../../api/types";
import { useWho } from "../../app/who";
import { Button } from "../../parts/Button";
import { TextField } from "../../parts/Field";
import { NewPasswordField } from "../../parts/NewPasswordField";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { Tick } from "../../parts/Tick";
import { GiveWord } from "./GiveWord";

export function People() {
	const { account } = useWho();
	const people = usePeople();
	const owner = account.role === "owner";
	return (
		<section>
			<h2 className="text-2xl font-semibold">People</h2>
			{people.isError && <p role="alert">{people.error.message}</p>}
			<ul className="mt-3 border-t border-rule">
				{people.data?.map((p) => (
					<PersonLine key={p.id} person={p} owner={owner} />
				))}
			</ul>
			{owner && <AddPerson />}
		</section>
	);
}

function PersonLine({ person, owner }: { person: Account; owner: boolean }) {
	const write = useChangePerson(person);
	return (
		<li className="border-b border-rule py-2">
			<p>
				<strong className="font-semibold">{person.name}</strong>{" "}
				<span className="text-ink-2">
					{person.login}, {person.role}
					{!person.active && ", may not sign in"}
				</span>
			</p>
			{owner && (
				<div className="flex flex-wrap gap-x-8">
					<Tick
						checked={person.active}
						onChange={(active) => write.mutate({ active })}
					>
						may sign in
					</Tick>
					<Tick
						checked={person.role === "owner"}
						onChange={(v) => write.mutate({ role: v ? "owner" : "technician" })}
					>
						owner
					</Tick>
				</div>
			)}
			{owner && <GiveWord person={person} />}
			<Refusal error={write.error} />
		</li>
	);
}

const empty = {
	name: "",
	login: "",
	password: "",
	role: "technician" as Account["role"],
};

function AddPerson() {
	const [form, setForm] = useState(empty);
	const add = useAddPerson();
	const at = (f: string) => add.error?.field(f);
	const shown = ["name", "login", "password", "role"].some(at);
	return (
		<form
			className="mt-8 flex flex-col gap-4"
			onSubmit={(e) => {
				e.preventDefault();
				add.mutate(form, { onSuccess: () => setForm(empty) });
			}}
		>
			<h3 className="text-lg font-semibold">Add a person</h3>
			<TextField
				label="Name"
				value={form.name}
				onChange={(name) => setForm({ ...form, name })}
				error={at("name")}
			/>
			<TextField
				label="Sign-in name"
				value={form.login}
				onChange={(login) => setForm({ ...form, login })}
				error={at("login")}
				autoComplete="off"
			/>
			<NewPasswordField
				label="First password"
				value={form.password}
				onChange={(password) => setForm({ ...form, password })}
				error={at("password")}
				hint="Ten characters or more; they can change it."
			/>
			<Pick
				label="Role"
				value={form.role}
				onChange={(role) => setForm({ ...form, role })}
				options={[
					{ value: "technician", label: "technician" },
					{ value: "owner", label: "owner" },
				]}
			/>
			{!shown && <Refusal error={add.error} />}
			<div>
				<Button type="submit" disabled={add.isPending}>
					Add
				</Button>
			</div>
		</form>
	);
}
