/** Whether nobody works with a thumb: a field may take the focus by itself. */
export function fine(): boolean {
	return !window.matchMedia("(pointer: coarse)").matches;
}
