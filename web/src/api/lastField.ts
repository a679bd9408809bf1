/** How long a page is waited for after the door, ms. */
const patience = 5000;

let left: { page: string; name: string } | null = null;

/** What a field is called, for whoever comes back to it. */
function nameOf(e: Element): string {
	const label = (e as HTMLInputElement).labels?.[0];
	return (
		(e.id.startsWith("_") ? "" : e.id) ||
		e.getAttribute("aria-label") ||
		label?.textContent ||
		""
	);
}

/** Remembers the field that one is in, when the session ends under one's hands. */
export function leaveField() {
	const at = document.activeElement;
	if (!at || !("value" in at)) return;
	const name = nameOf(at);
	if (name) left = { page: window.location.pathname, name };
}

/** Leads back to that field, once the page stands again. */
export function backToField() {
	const to = left;
	left = null;
	if (!to || to.page !== window.location.pathname) return;
	const until = Date.now() + patience;
	const look = () => {
		const field = [
			...document.querySelectorAll<HTMLElement>("input, textarea, select"),
		].find((e) => nameOf(e) === to.name);
		if (field) field.focus();
		else if (Date.now() < until) setTimeout(look, 100);
	};
	look();
}
