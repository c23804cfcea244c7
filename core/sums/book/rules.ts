/** Rules of thumb that both sums and panels show. */

/** Water, litres to a square metre of glazing. */
export const WATER_RULE = { least: 80, most: 200 } as const
/** Air through an earth store, changes of the house's air an hour. */
export const STORE_CHANGES = { least: 4, most: 8 } as const
/** Vents, of the floor, low and as much high. */
export const VENT_RULE = { least: 0.15, most: 0.25 } as const
