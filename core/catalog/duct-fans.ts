/** A fan for ducts with a straight curve, as its maker's sheets for such fans say at the working end. */
export interface DuctFan {
  id: string
  name: string
  /** Blowing free, m³/h; against a closed end, Pa; power, W. */
  freeFlowM3h: number
  shutOffPa: number
  powerW: number
  source: string
}

const SHEETS = 'typical of data sheets for fans of this make and size'

export const DUCT_FANS: readonly DuctFan[] = [
  { id: 'booster-100', name: 'Axial booster, 100 mm', freeFlowM3h: 100, shutOffPa: 20, powerW: 14, source: SHEETS },
  { id: 'mixed-100', name: 'Mixed flow, 100 mm', freeFlowM3h: 240, shutOffPa: 160, powerW: 28, source: SHEETS },
  { id: 'mixed-150', name: 'Mixed flow, 150 mm', freeFlowM3h: 520, shutOffPa: 260, powerW: 55, source: SHEETS },
  { id: 'mixed-200', name: 'Mixed flow, 200 mm', freeFlowM3h: 950, shutOffPa: 320, powerW: 120, source: SHEETS },
  { id: 'radial-200', name: 'Radial duct fan, 200 mm', freeFlowM3h: 1000, shutOffPa: 550, powerW: 160, source: SHEETS },
  { id: 'radial-250', name: 'Radial duct fan, 250 mm', freeFlowM3h: 1350, shutOffPa: 600, powerW: 220, source: SHEETS },
  { id: 'box-315', name: 'Fan box, 315 mm', freeFlowM3h: 2200, shutOffPa: 420, powerW: 320, source: SHEETS },
]
