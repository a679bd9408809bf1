import type { ComponentType } from "react";
import { behind } from "../../app/later";
import type { ColumnProps } from "./column";

type Load = () => Promise<{ default: ComponentType<ColumnProps> }>;

/** Each station's column comes when somebody stands there. */
export const columnFiles: Record<string, Load> = {
	assess: behind(() => import("./assess/Column")),
	strip: behind(() => import("./strip/Column")),
	measure: behind(() => import("./measure/Column")),
	choose: behind(() => import("./choose/Column")),
	source: behind(() => import("./source/Column")),
	prepare: behind(() => import("./set/Column")),
	set: behind(() => import("./set/Column")),
	hold: behind(() => import("./hold/Column")),
	refit: behind(() => import("./refit/Column")),
	prove: behind(() => import("./prove/Column")),
};
