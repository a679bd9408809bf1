import type { ReactNode } from "react";
import { Navigate, Route, Routes } from "react-router";
import { useSession } from "../api/hooks";
import { FirstStart } from "../screens/door/FirstStart";
import { SignIn } from "../screens/door/SignIn";
import { JobScreen } from "../screens/job/JobScreen";
import { JobsScreen } from "../screens/jobs/JobsScreen";
import { ShopScreen } from "../screens/shop/ShopScreen";
import { TakeInScreen } from "../screens/take-in/TakeInScreen";
import { TodayScreen } from "../screens/today/TodayScreen";
import { WhoContext } from "./who";

export function App() {
	const session = useSession();
	if (session.isPending) return <Waiting>Opening the shop …</Waiting>;
	if (session.isError) {
		return (
			<Waiting>
				{session.error.message}{" "}
				<button
					type="button"
					className="underline"
					onClick={() => void session.refetch()}
				>
					Try again
				</button>
			</Waiting>
		);
	}
	const { setup, account, shop } = session.data;
	if (setup) return <FirstStart />;
	if (!account || !shop) return <SignIn shop={shop} />;
	return (
		<WhoContext value={{ account, shop }}>
			<Routes>
				<Route path="/" element={<TodayScreen />} />
				<Route path="/jobs" element={<JobsScreen />} />
				<Route path="/take-in" element={<TakeInScreen />} />
				<Route path="/jobs/:id" element={<JobScreen />} />
				<Route path="/jobs/:id/:station" element={<JobScreen />} />
				<Route path="/shop" element={<ShopScreen />} />
				<Route path="*" element={<Navigate to="/" replace />} />
			</Routes>
		</WhoContext>
	);
}

function Waiting({ children }: { children: ReactNode }) {
	return (
		<main className="grid h-full place-items-center p-6 text-ink-2">
			<p role="status">{children}</p>
		</main>
	);
}
