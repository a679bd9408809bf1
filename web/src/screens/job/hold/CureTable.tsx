import { useHold } from "../../../api/hold";
import { useWho } from "../../../app/who";
import { CureCurve } from "../../../bench/CureCurve";
import { useSize } from "../../../bench/useSize";
import { Ground } from "../table/Ground";
import type { TableProps } from "../table/props";
import ClockTable from "./ClockTable";

/** What hardens as a curve against its weather; other clocks as they are. */
export default function CureTable(props: TableProps) {
	const hold = useHold(props.view);
	const { madeUp } = useWho();
	const [ref, size] = useSize<HTMLDivElement>();
	const open = (hold.data?.cures ?? []).filter((c) => c.curing);
	const cure =
		open.find((c) => !c.curing?.clocks.every((k) => k.over)) ?? open[0];
	if (!cure?.curing) return <ClockTable {...props} />;
	const costs = cure.costs ?? 0;
	return (
		<Ground
			says={`${cure.curing.adhesive.name}, how far it is by what the weather does`}
			foot={
				<p className="text-[0.9375rem] text-ink-2">
					{hold.data?.read || !madeUp
						? "The bench as it was read"
						: "The bench station"}{" "}
					until now, the forecast after it
					{costs > 0 &&
						`; this air costs ${costs} ${costs === 1 ? "hour" : "hours"}`}
				</p>
			}
		>
			<div ref={ref} className="absolute inset-0">
				<CureCurve cure={cure} w={size.w} h={size.h} now={Date.now()} />
			</div>
		</Ground>
	);
}
