// Writes what the page loads once more, compressed as far as it goes: the program sends that
// to a browser that takes it, and has nothing to do while it does.
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { brotliCompressSync, constants } from "node:zlib";

const folder = new URL("../internal/web/static/built/assets/", import.meta.url);
for (const name of readdirSync(folder)) {
	if (!/\.(js|css)$/.test(name)) continue;
	const plain = readFileSync(new URL(name, folder));
	const packed = brotliCompressSync(plain, {
		params: { [constants.BROTLI_PARAM_QUALITY]: 11 },
	});
	if (packed.length < plain.length)
		writeFileSync(new URL(`${name}.br`, folder), packed);
}
