import createClient from "openapi-fetch";
import { patient } from "./patient";
import { reaches } from "./reach";
import { Refused } from "./refused";
import type { paths } from "./schema.gen";
import type { Problem } from "./types";

export const api = createClient<paths>({
	baseUrl: "",
	fetch: patient,
});

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
		reaches(false);
		throw new Refused(unreachable);
	}
	reaches(true);
	if (!answer.response.ok) {
		throw new Refused(
			isProblem(answer.error)
				? answer.error
				: { ...unreachable, status: answer.response.status },
		);
	}
	return answer.data as T;
}
