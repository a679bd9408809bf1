import {
	MutationCache,
	QueryCache,
	QueryClient,
	QueryClientProvider,
} from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { App } from "./App";
import { Refused } from "./api/refused";
import { toTheDoor } from "./api/session";
import { lettersAtOnce } from "./app/letters";
import { startTheme } from "./app/theme";
import "./styles.css";

startTheme();
lettersAtOnce();

const client: QueryClient = new QueryClient({
	queryCache: new QueryCache({ onError: (e) => toTheDoor(client, e) }),
	mutationCache: new MutationCache({ onError: (e) => toTheDoor(client, e) }),
	defaultOptions: {
		queries: {
			staleTime: 1000,
			// What was refused will be refused again; what was not reached may not.
			retry: (count, error) =>
				count < 3 &&
				!(
					error instanceof Refused &&
					(error.problem.filled !== undefined ||
						(error.problem.status >= 400 && error.problem.status < 500))
				),
		},
	},
});

const root = document.getElementById("root");
if (!root) throw new Error("the page has no root");
createRoot(root).render(
	<StrictMode>
		<QueryClientProvider client={client}>
			<BrowserRouter>
				<App />
			</BrowserRouter>
		</QueryClientProvider>
	</StrictMode>,
);
