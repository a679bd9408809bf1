import { lazy, type ReactNode, Suspense } from "react";
import { Navigate, Route, Routes, useLocation } from "react-router";
import { isFilling, useSession } from "./api/hooks";
import { Calls } from "./app/Calls";
import { WhoContext } from "./app/who";
import { Boundary } from "./parts/Boundary";
import { Filling } from "./screens/door/Filling";
import { FirstStart } from "./screens/door/FirstStart";
import { SignIn } from "./screens/door/SignIn";
import { JobScreen } from "./screens/job/JobScreen";
import { TodayScreen } from "./screens/today/TodayScreen";

// Today and the job are what a bench tablet opens; the rest comes when asked.
const BookScreen = lazy(() =>
	import("./screens/book/BookScreen").then((m) => ({ default: m.BookScreen })),
);
const JobsScreen = lazy(() =>
	import("./screens/jobs/JobsScreen").then((m) => ({ default: m.JobsScreen })),
);
const CutRoomScreen = lazy(() =>
	import("./screens/cut-room/CutRoomScreen").then((m) => ({
		default: m.CutRoomScreen,
	})),
);
const StoresScreen = lazy(() =>
	import("./screens/stores/StoresScreen").then((m) => ({
		default: m.StoresScreen,
	})),
);
const ShopScreen = lazy(() =>
	import("./screens/shop/ShopScreen").then((m) => ({ default: m.ShopScreen })),
);
const RecordsScreen = lazy(() =>
	import("./screens/records/RecordsScreen").then((m) => ({
		default: m.RecordsScreen,
	})),
);
const DaysScreen = lazy(() =>
	import("./screens/days/DaysScreen").then((m) => ({ default: m.DaysScreen })),
);
const RoundsScreen = lazy(() =>
	import("./screens/rounds/RoundsScreen").then((m) => ({
		default: m.RoundsScreen,
	})),
);
const DaysWall = lazy(() =>
	import("./screens/wall/DaysWall").then((m) => ({ default: m.DaysWall })),
);
const AdhesiveWall = lazy(() =>
	import("./screens/wall/AdhesiveWall").then((m) => ({
		default: m.AdhesiveWall,
	})),
);
const PassportPage = lazy(() =>
	import("./screens/passport/PassportPage").then((m) => ({
		default: m.PassportPage,
	})),
);
const SumsScreen = lazy(() =>
	import("./screens/sums/SumsScreen").then((m) => ({ default: m.SumsScreen })),
);
const TakeInScreen = lazy(() =>
	import("./screens/take-in/TakeInScreen").then((m) => ({
		default: m.TakeInScreen,
	})),
);

/** A passport opens by its address alone; the rest of the shop wants a sign-in. */
export function App() {
	return (
		<Routes>
			<Route
				path="/p/:token"
				element={
					<Suspense fallback={<Waiting>…</Waiting>}>
						<Boundary what="This page">
							<PassportPage />
						</Boundary>
					</Suspense>
				}
			/>
			<Route path="*" element={<SignedIn />} />
		</Routes>
	);
}

function SignedIn() {
	const session = useSession();
	// Another page is another try; its stations are the same page.
	const pathname = useLocation().pathname.split("/").slice(0, 3).join("/");
	if (session.isPending) return <Waiting>Opening the shop …</Waiting>;
	if (isFilling(session.error)) return <Filling error={session.error} />;
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
	const { setup, account, shop, made_up: madeUp } = session.data;
	if (setup) return <FirstStart />;
	if (!account || !shop) return <SignIn shop={shop} />;
	return (
		<WhoContext value={{ account, shop, madeUp }}>
			<Calls />
			<Suspense fallback={<Waiting>…</Waiting>}>
				<Boundary key={pathname} what="This page">
					<Routes>
						<Route path="/" element={<TodayScreen />} />
						<Route path="/jobs" element={<JobsScreen />} />
						<Route path="/take-in" element={<TakeInScreen />} />
						<Route path="/jobs/:id" element={<JobScreen />} />
						<Route path="/jobs/:id/:station" element={<JobScreen />} />
						<Route path="/sums" element={<SumsScreen />} />
						<Route path="/sums/:sum" element={<SumsScreen />} />
						<Route path="/sums/:sum/:part" element={<SumsScreen />} />
						<Route path="/book" element={<BookScreen />} />
						<Route path="/book/:page" element={<BookScreen />} />
						<Route path="/cut-room" element={<CutRoomScreen />} />
						<Route path="/cut-room/:group" element={<CutRoomScreen />} />
						<Route path="/stores" element={<StoresScreen />} />
						<Route path="/days" element={<DaysScreen />} />
						<Route path="/wall" element={<AdhesiveWall />} />
						<Route path="/wall/days" element={<DaysWall />} />
						<Route path="/rounds" element={<RoundsScreen />} />
						<Route path="/records" element={<RecordsScreen />} />
						<Route path="/shop" element={<ShopScreen />} />
						<Route path="*" element={<Navigate to="/" replace />} />
					</Routes>
				</Boundary>
			</Suspense>
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
