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
					],
				},
			},
		},
	},
	server: { proxy: { "/api": "http://127.0.0.1:8080" } },
});
