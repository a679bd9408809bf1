import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
	plugins: [react(), tailwindcss()],
	build: {
		// The program embeds what is built here.
		outDir: "../internal/web/static/built",
		emptyOutDir: true,
		// What each file loads beside itself: the tests add it up.
		manifest: "manifest.json",
		rolldownOptions: {
			output: {
				codeSplitting: {
					groups: [
						// What seldom changes keeps its name, and so its place in a browser's store.
						{
							name: "react",
							test: /node_modules\/(react|react-dom|scheduler)\//,
						},
						// Small things that most screens use come together: on a slow line each
						// file is a wait of its own.
						{
							name: "shared",
							test: /src\/(api|app|parts\/(Button|Field|Refusal|Boundary|money|num|Paged))/,
							minShareCount: 6,
						},
						{ name: "drawn", test: /src\/bench\//, minShareCount: 5 },
						{
							name: "radix",
							test: /node_modules\/@radix-ui\/react-(collapsible|checkbox|presence|primitive|compose-refs|context|id|slot|use-)/,
							minShareCount: 3,
						},
					],
				},
			},
		},
	},
	server: { proxy: { "/api": "http://127.0.0.1:8080" } },
});
