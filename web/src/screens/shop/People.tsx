import { useAddPerson, useChangePerson, usePeople } from "../../api/people";
import type { Account } from "../../api/types";
import { useWho } from "../../app/who";
import { Form, useFilled } from "../../form/Form";
import { PasswordOf, PickOf, TextOf } from "../../form/fields";
import { Button } from "../../parts/Button";
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
	// A password is kept on no device.
	const filled = useFilled(empty);
	const add = useAddPerson();
	return (
		<Form
			className="mt-8 flex flex-col gap-4"
			filled={filled}
			write={add}
			body={(f) => f}
		>
			<h3 className="text-lg font-semibold">Add a person</h3>
			<TextOf label="Name" name="name" />
			<TextOf label="Sign-in name" name="login" autoComplete="off" />
			<PasswordOf
				label="First password"
				name="password"
				hint="Ten characters or more; they can change it."
			/>
			<PickOf
				label="Role"
				name="role"
				options={[
					{ value: "technician", label: "technician" },
					{ value: "owner", label: "owner" },
				]}
			/>
			<div>
				<Button type="submit" disabled={add.isPending}>
					Add
				</Button>
			</div>
		</Form>
	);
}
