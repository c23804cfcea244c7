/** What a heater burns or draws. */
export interface Fuel {
  id: string
  name: string
  /** Useful heat per heat paid for, 0–1 (typical appliance). */
  efficiency: number
  /** Water that its fumes leave in the room, kg per unit sold; 0 where a flue takes them out. */
  waterKg: number
  /** Heat of combustion, kWh per unit sold, and the unit; electricity is sold by the kWh. */
  perUnitKWh: number
  /** A rough price of a kWh of it, money, until a person gives their own. */
  roughPrice: number
  unit: string
  source: string
}

/** Water in wood that has dried for two years, as a share of the whole. */
export const DRIED = 0.2

/** Heat of a kilogram of wood, J, by its water as a share of the whole (0–0.6): 18.5 MJ dry, less what boils it off. */
export const woodHeatJkg = (moisture: number): number => 18.5e6 * (1 - moisture) - 2.44e6 * moisture

export const FUELS: readonly Fuel[] = [
  {
    id: 'electricity',
    name: 'Electricity',
    efficiency: 1,
    waterKg: 0,
    perUnitKWh: 1,
    roughPrice: 0.28,
    unit: 'kWh',
    source: 'resistance heating',
  },
  {
    id: 'gas',
    name: 'Gas, flued',
    efficiency: 0.85,
    waterKg: 0,
    perUnitKWh: 10.3,
    roughPrice: 0.1,
    unit: 'm³',
    source: 'typical flued air heater',
  },
  {
    id: 'oil',
    name: 'Oil',
    efficiency: 0.82,
    waterKg: 0,
    perUnitKWh: 10,
    roughPrice: 0.11,
    unit: 'L',
    source: 'typical flued air heater',
  },
  {
    id: 'wood',
    name: 'Wood stove',
    efficiency: 0.7,
    waterKg: 0,
    perUnitKWh: woodHeatJkg(DRIED) / 3.6e6,
    roughPrice: 0.06,
    unit: 'kg',
    source: 'typical closed stove',
  },
  {
    id: 'pellets',
    name: 'Pellets',
    efficiency: 0.85,
    waterKg: 0,
    perUnitKWh: 4.8,
    roughPrice: 0.08,
    unit: 'kg',
    source: 'typical pellet stove',
  },
  {
    id: 'gas-unvented',
    name: 'Gas, no flue',
    efficiency: 0.87,
    waterKg: 1.6,
    perUnitKWh: 10.3,
    roughPrice: 0.1,
    unit: 'm³',
    source: 'higher heating value less the tenth that leaves as vapour and a little that leaks',
  },
]
