import { useWho } from "../app/who";
import { Button } from "./Button";

interface Props {
	/** Where a calendar reads it; nothing while no address was made. */
	path: string | undefined;
	/** Whether whoever looks may make and withdraw it. */
	mayChange: boolean;
	busy: boolean;
	onMake: () => void;
	onWithdraw: () => void;
}

/** An address that a calendar reads by itself, to be made and withdrawn. */
export function FeedLink({ path, mayChange, busy, onMake, onWithdraw }: Props) {
	const { shop } = useWho();
	if (!path)
		return mayChange ? (
			<Button disabled={busy} onClick={onMake}>
				Make an address for a calendar
			</Button>
		) : null;
	return (
		<p className="flex flex-wrap items-center gap-x-4">
			<span>
				A calendar that reads it by itself:{" "}
				<code className="break-all" data-calendar>
					{`${shop.address || window.location.origin}${path}`}
				</code>
			</span>
			{mayChange && (
				<Button kind="quiet" disabled={busy} onClick={onWithdraw}>
					withdraw it
				</Button>
			)}
		</p>
	);
}
