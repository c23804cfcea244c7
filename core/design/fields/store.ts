import { BODY } from '../../bodies/registry'
import { MATERIALS } from '../../catalog'
import {
  area,
  list,
  count,
  difference,
  entryOf,
  flag,
  group,
  length,
  plain,
  power,
  thickness,
  type NumberOptions,
} from '../field'

/** A fan with a straight curve from free flow to shut-off pressure. */
export const fan = (freeFlowM3h: number, shutOffPa: number, powerW: number) =>
  group(
    {
      freeFlowM3h: plain(1, 50000, { start: freeFlowM3h, unit: 'm³/h', label: 'Free flow' }),
      shutOffPa: plain(5, 5000, { start: shutOffPa, unit: 'Pa', label: 'Shut-off pressure' }),
      powerW: power(0, 10000, { start: powerW, label: 'Power' }),
    },
    { label: 'Fan' },
  )

const runs = {
  start: 4,
  label: 'Runs from',
  about: 'when air and store differ by this',
} as const satisfies NumberOptions
const lining = (label: string, most: number, step: number, hint = '') =>
  group(
    {
      material: entryOf(MATERIALS, { label }),
      thicknessM: thickness(0, most, { step, label: 'Thickness', hint, about: '0 for none' }),
    },
    { label },
  )

/** So many bodies may stand in a house. */
const MOST_BODIES = 30

/** What keeps heat. */
export const STORE = group(
  {
    bodies: list(BODY, 0, MOST_BODIES, {
      start: [],
      label: 'Bodies',
      about: 'what stands in the room and keeps heat, each of a kind',
    }),
    massWall: lining('Inner face of the back wall', 1, 0.05, '0 leaves the wall’s own layers bare.'),
    floor: lining('Floor', 0.5, 0.01),
    earth: group(
      {
        on: flag({ start: false, label: 'Earth store' }),
        pipes: count(1, 200, { start: 10, label: 'Pipes' }),
        pipeLengthM: length(1, 100, { start: 8, label: 'Pipe length' }),
        pipeDiameterM: length(0.04, 0.6, { start: 0.1, label: 'Pipe diameter' }),
        depthM: length(0.2, 2.5, { start: 0.9, label: 'Depth' }),
        fan: fan(700, 120, 90),
        startK: difference(0.5, 20, runs),
      },
      { label: 'Earth store', about: 'air drawn from the ridge through pipes in the ground and back' },
    ),
    rockBed: group(
      {
        on: flag({ start: false, label: 'Rock bed' }),
        areaM2: area(0.5, 200, { start: 6, label: 'Area' }),
        depthM: length(0.2, 3, { start: 0.6, label: 'Depth' }),
        rockM: length(0.01, 0.2, { start: 0.05, label: 'Rock size' }),
        insulationM: thickness(0, 0.4, { start: 0.1, label: 'Insulation around it' }),
        fan: fan(600, 120, 90),
        startK: difference(0.5, 20, runs),
      },
      { label: 'Rock bed', about: 'clean rock in an insulated pit, air through it' },
    ),
    channels: group(
      {
        on: flag({ start: false, label: 'Bed channels' }),
        count: count(1, 40, { start: 4, label: 'Channels' }),
        widthM: length(0.03, 0.6, { start: 0.15, label: 'wide' }),
        heightM: length(0.03, 0.6, { start: 0.1, label: 'high' }),
        fan: fan(400, 80, 40),
        startK: difference(0.5, 20, runs),
      },
      { label: 'Bed channels', about: 'air channels or gravel ducts under the beds' },
    ),
  },
  { label: 'Store' },
)
