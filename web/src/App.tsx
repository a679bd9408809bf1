import { type ReactNode, useEffect } from "react";
import {
	Navigate,
	Route,
	Routes,
	useLocation,
	useParams,
	useSearchParams,
} from "react-router";
import { jobNumber, useJob } from "./api/jobs";
import { isFilling, useSession } from "./api/session";
import { later, loadTheRest } from "./app/later";
import { letters } from "./app/letters";
import { useAfter } from "./app/useAfter";
import { WhoContext } from "./app/who";
import { Boundary } from "./parts/Boundary";
import { columnFiles } from "./screens/job/columns";

const opening = <Waiting>…</Waiting>;

// Each screen comes when it is asked for; those that are opened most stand first.
const TodayScreen = later(
	() => import("./screens/today/TodayScreen"),
	"TodayScreen",
	opening,
);
const JobScreen = later(
	() => import("./screens/job/JobScreen"),
	"JobScreen",
	opening,
);
const JobsScreen = later(
	() => import("./screens/jobs/JobsScreen"),
	"JobsScreen",
	opening,
);
const TakeInScreen = later(
	() => import("./screens/take-in/TakeInScreen"),
	"TakeInScreen",
	opening,
);
const DaysScreen = later(
	() => import("./screens/days/DaysScreen"),
	"DaysScreen",
	opening,
);
const SumsScreen = later(
	() => import("./screens/sums/SumsScreen"),
	"SumsScreen",
	opening,
);
const CutRoomScreen = later(
	() => import("./screens/cut-room/CutRoomScreen"),
	"CutRoomScreen",
	opening,
);
const StoresScreen = later(
	() => import("./screens/stores/StoresScreen"),
	"StoresScreen",
	opening,
);
const LedgerScreen = later(
	() => import("./screens/ledger/LedgerScreen"),
	"LedgerScreen",
	opening,
);
const RecordsScreen = later(
	() => import("./screens/records/RecordsScreen"),
	"RecordsScreen",
	opening,
);
const BookScreen = later(
	() => import("./screens/book/BookScreen"),
	"BookScreen",
	opening,
);
const ShopScreen = later(
	() => import("./screens/shop/ShopScreen"),
	"ShopScreen",
	opening,
);
const RoundsScreen = later(
	() => import("./screens/rounds/RoundsScreen"),
	"RoundsScreen",
	opening,
);
const DaysWall = later(
	() => import("./screens/wall/DaysWall"),
	"DaysWall",
	opening,
);
const AdhesiveWall = later(
	() => import("./screens/wall/AdhesiveWall"),
	"AdhesiveWall",
	opening,
);
const QuotePage = later(
	() => import("./screens/quote/QuotePage"),
	"QuotePage",
	opening,
);
const PassportPage = later(
	() => import("./screens/passport/PassportPage"),
	"PassportPage",
	opening,
);
const Filling = later(
	() => import("./screens/door/Filling"),
	"Filling",
	opening,
);
const FirstStart = later(
	() => import("./screens/door/FirstStart"),
	"FirstStart",
	opening,
);
const SignIn = later(() => import("./screens/door/SignIn"), "SignIn", opening);
const Calls = later(() => import("./app/Calls"), "Calls");

/** The letters' own shapes first, then whatever a next tap may ask for. */
async function afterwards() {
	await letters().catch(() => undefined);
	await loadTheRest();
}

/** A passport and a quote open by their address alone; the rest of the shop wants a sign-in. */
export function App() {
	useAfter(afterwards);
	return (
		<Routes>
			<Route
				path="/p/:token"
				element={
					<Boundary what="This page">
						<PassportPage />
					</Boundary>
				}
			/>
			<Route
				path="/q/:token"
				element={
					<Boundary what="This page">
						<QuotePage />
					</Boundary>
				}
			/>
			<Route path="*" element={<SignedIn />} />
		</Routes>
	);
}

/** A job is asked for while its screen and its station's column are on their way. */
function JobRoute() {
	const { id = "", station = "" } = useParams();
	const [search] = useSearchParams();
	const job = useJob(jobNumber(id), Number(search.get("pane")) || 0);
	useEffect(
		() => void columnFiles[station]?.().catch(() => undefined),
		[station],
	);
	return <JobScreen job={job} station={station} />;
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
			<Boundary key={pathname} what="This page">
				<Routes>
					<Route path="/" element={<TodayScreen />} />
					<Route path="/jobs" element={<JobsScreen />} />
					<Route path="/take-in" element={<TakeInScreen />} />
					<Route path="/jobs/:id" element={<JobRoute />} />
					<Route path="/jobs/:id/:station" element={<JobRoute />} />
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
					<Route path="/ledger" element={<LedgerScreen />} />
					<Route path="/shop" element={<ShopScreen />} />
					<Route path="*" element={<Navigate to="/" replace />} />
				</Routes>
			</Boundary>
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
