import type { ComponentType } from "react";
import type { ColumnProps } from "./column";

type Load = () => Promise<{ default: ComponentType<ColumnProps> }>;

/** Each station's column comes when somebody stands there. */
export const columnFiles: Record<string, Load> = {
	assess: () => import("./assess/Column"),
	strip: () => import("./strip/Column"),
	measure: () => import("./measure/Column"),
	choose: () => import("./choose/Column"),
	source: () => import("./source/Column"),
	prepare: () => import("./set/Column"),
	set: () => import("./set/Column"),
	hold: () => import("./hold/Column"),
	refit: () => import("./refit/Column"),
	prove: () => import("./prove/Column"),
};

/** How the column of a station is loaded. */
export const columnOf = (station: string): Load | undefined =>
	columnFiles[station];
