import { type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import type {
	Backup,
	DayPlace,
	Letterhead,
	Rates,
	Shop,
	Supplier,
	Week,
} from "./types";

/** The shop's own name, town, unit and hours; everything is read again with them. */
export function useChangeShop() {
	return useWrite(
		(body: Shop): Promise<Shop> => got(api.PUT("/api/shop", { body })),
		{ asks: [[]], moved: [["session"]] },
	);
}

export function useRates() {
	return useRead<Rates>(["rates"], () => got(api.GET("/api/rates")));
}

export function useChangeRates() {
	return useWrite(
		(body: Sent<"/api/rates", "put">): Promise<Rates> =>
			got(api.PUT("/api/rates", { body })),
		{ is: ["rates"], asks: [["price"]], moved: [["rates"]] },
	);
}

/** What stands on every paper. */
export function useLetterhead() {
	return useRead<Letterhead>(["letterhead"], () =>
		got(api.GET("/api/letterhead")),
	);
}

export function useChangeLetterhead() {
	return useWrite(
		(body: Letterhead): Promise<Letterhead> =>
			got(api.PUT("/api/letterhead", { body })),
		{ is: ["letterhead"], asks: [["price"]], moved: [["letterhead"]] },
	);
}

export function useSuppliers() {
	return useRead<Supplier[]>(["suppliers"], () =>
		got(api.GET("/api/suppliers")),
	);
}

export function usePutSupplier() {
	return useWrite(
		(body: Supplier): Promise<Supplier[]> =>
			got(api.PUT("/api/suppliers", { body })),
		{ is: ["suppliers"] },
	);
}

export function useDropSupplier() {
	return useWrite(
		(id: number): Promise<Supplier[]> =>
			got(api.DELETE("/api/suppliers/{id}", { params: { path: { id } } })),
		{ is: ["suppliers"] },
	);
}

export function useBackup() {
	return useRead(["backup"], () => got(api.GET("/api/backup")));
}

export function useMakeBackup() {
	return useWrite(
		(_: undefined): Promise<Backup> => got(api.POST("/api/backup")),
		{
			asks: [["backup"]],
		},
	);
}

/** When each person works. */
export function useWeeks() {
	return useRead<Week[]>(
		["weeks"],
		async () => (await got(api.GET("/api/weeks"))) ?? [],
	);
}

export function useChangeWeek() {
	return useWrite(
		async (body: Week): Promise<Week[]> =>
			(await got(
				api.PUT("/api/weeks/{account}", {
					params: { path: { account: body.account } },
					body,
				}),
			)) ?? [],
		{ is: ["weeks"], asks: [["days"]], moved: [["weeks"]] },
	);
}

/** How many benches, vans and tables there are to work at. */
export function useDayPlaces() {
	return useRead<DayPlace[]>(
		["day places"],
		async () => (await got(api.GET("/api/days/places"))) ?? [],
	);
}

export function useChangeDayPlace() {
	return useWrite(
		async (body: DayPlace & { seen: number }): Promise<DayPlace[]> =>
			(await got(api.PUT("/api/days/places", { body }))) ?? [],
		{ is: ["day places"], asks: [["days"]], moved: [["day places"]] },
	);
}
