import { createContext, useContext } from "react";
import type { Account, Shop } from "../api/types";

/** madeUp: the made-up shop, in which simulated stations and instruments speak. */
type Who = { account: Account; shop: Shop; madeUp: boolean };

export const WhoContext = createContext<Who | null>(null);

/** Who is signed in, and where. */
export function useWho(): Who {
	const who = useContext(WhoContext);
	if (!who) throw new Error("nobody is signed in here");
	return who;
}
