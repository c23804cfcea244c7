import type { AirPath } from './air-path'
import { NO_WORK, type AirWork, type Intake } from './kind'
import {
  choice,
  difference,
  flag,
  group,
  number,
  orNull,
  electricPower,
  temperature,
  type Value,
} from '../design/field'

/** Fields that many kinds share. */
export const on = flag({ start: true, label: 'In use' })

/** A fan with a straight curve from free flow to shut-off pressure. */
export const fan = (freeFlowM3h: number, shutOffPa: number, powerW: number) =>
  group(
    {
      freeFlowM3h: number('airflow', 1, 50000, { start: freeFlowM3h, label: 'Fan, free flow' }),
      shutOffPa: number('pressure', 5, 5000, { start: shutOffPa, label: 'Fan, shut-off pressure' }),
      powerW: electricPower(0, 10000, { start: powerW, label: 'Fan, power' }),
    },
    { label: 'Fan' },
  )
export type Fan = Value<ReturnType<typeof fan>>

export const startK = difference(0.5, 20, { start: 4, label: 'Runs from', about: 'when air and store differ by this' })

/** Thermostats by day and by night; left empty, they follow what is grown. */
export const controls = {
  takeAboveC: orNull(temperature(-20, 60, { none: 'by the aim', label: 'By day takes heat above' }), {
    start: null,
    about: '`null`: 12 K above the lowest air of the month',
  }),
  giveBelowC: orNull(temperature(-20, 60, { none: 'by the aim', label: 'By night gives it below' }), {
    start: null,
    about: '`null`: 4 K above the lowest air of the month',
  }),
}
interface Controlled {
  startK: number
  intake: Intake
  takeAboveC: number | null
  giveBelowC: number | null
}
/** When and where from a store's fan runs. */
export const controlled = ({ startK, intake, takeAboveC, giveBelowC }: Controlled): Controlled => ({
  startK,
  intake,
  takeAboveC,
  giveBelowC,
})

export const intake = choice(
  [
    { id: 'ridge', name: 'under the ridge' },
    { id: 'beds', name: 'round the beds' },
    { id: 'floor', name: 'at the floor' },
  ],
  { start: 'ridge', label: 'Draws its air in' },
)

/** What air drawn from the room through pipes or channels in the ground does. */
export const throughGround = (
  s: Controlled & { fan: Fan },
  { flowM3s, pressurePa, effectiveness }: AirPath,
): AirWork => ({ ...NO_WORK, as: 'pipes', flowM3s, pressurePa, effectiveness, fanW: s.fan.powerW, ...controlled(s) })
