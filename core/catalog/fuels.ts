/** What a heater burns or draws. */
export interface Fuel {
  id: string
  name: string
  /** Useful heat per heat paid for, 0–1 (typical appliance). */
  efficiency: number
  source: string
}

export const FUELS: readonly Fuel[] = [
  { id: 'electricity', name: 'Electricity', efficiency: 1, source: 'resistance heating' },
  { id: 'gas', name: 'Gas, flued', efficiency: 0.85, source: 'typical flued air heater' },
  { id: 'oil', name: 'Oil', efficiency: 0.82, source: 'typical flued air heater' },
  { id: 'wood', name: 'Wood stove', efficiency: 0.7, source: 'typical closed stove' },
  { id: 'pellets', name: 'Pellets', efficiency: 0.85, source: 'typical pellet stove' },
]
