import { newKey } from "./key";
import { reaches } from "./reach";

/** How often a change that did not get through is sent again, a second apart: for half an hour. */
const most = 1800;
const apart = 1000;

const head = "Idempotency-Key";

/**
 * Sends a call. A change carries a key, and what carries a key is sent again until it gets through:
 * by the key the program knows what it has done already. A question is asked again by whoever asks.
 */
export async function patient(request: Request): Promise<Response> {
	if (["PUT", "DELETE"].includes(request.method) && !request.headers.has(head))
		request.headers.set(head, newKey());
	for (let n = 0; ; n++) {
		try {
			return await window.fetch(request.clone());
		} catch (e) {
			if (!request.headers.has(head) || n >= most) throw e;
			reaches(false);
			await new Promise((done) => setTimeout(done, apart));
		}
	}
}
