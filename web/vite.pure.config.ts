import { defineConfig } from "vite";

// The plain functions as one file that a browser can load; the tests say where it goes.
export default defineConfig({
	define: { "process.env.NODE_ENV": '"production"' },
	build: {
		lib: { entry: "pure.ts", formats: ["es"], fileName: "pure" },
		minify: false,
		emptyOutDir: false,
		copyPublicDir: false,
	},
});
