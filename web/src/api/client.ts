import createClient from "openapi-fetch";
import type { paths } from "./schema.gen";
import type { FieldError, Problem } from "./types";

export const api = createClient<paths>({ baseUrl: "" });

/** A call that the program refused, with the fields it points at. */
export class Refused extends Error {
	readonly problem: Problem;
	constructor(problem: Problem) {
		super(problem.detail);
		this.problem = problem;
	}
	field(name: string): FieldError | undefined {
		return this.problem.errors?.find((e) => e.field === name);
	}
	get conflict(): boolean {
		return this.problem.status === 409;
	}
}

const unreachable: Problem = {
	title: "Not reached",
	status: 0,
	detail:
		"The program cannot be reached. What you typed is still here; try again in a moment.",
};

type Answer<T> = { data?: T; error?: unknown; response: Response };

function isProblem(v: unknown): v is Problem {
	return typeof v === "object" && v !== null && "detail" in v && "status" in v;
}

/** Unwraps an answer, or throws Refused. */
export async function got<T>(call: Promise<Answer<T>>): Promise<T> {
	let answer: Answer<T>;
	try {
		answer = await call;
	} catch {
		throw new Refused(unreachable);
	}
	if (!answer.response.ok) {
		throw new Refused(
			isProblem(answer.error)
				? answer.error
				: { ...unreachable, status: answer.response.status },
		);
	}
	return answer.data as T;
}

/** A key for a creating call; a retry sends the same one. */
export function newKey(): string {
	const bytes = crypto.getRandomValues(new Uint8Array(16));
	return Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
}
