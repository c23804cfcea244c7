import { FUELS } from '../../catalog'
import {
  angle,
  area,
  choice,
  count,
  entryOf,
  flag,
  group,
  hours,
  list,
  money,
  plain,
  power,
  temperature,
  text,
} from '../field'

const tilt = (start: number) => angle(0, 90, { start, label: 'Tilt', about: 'from level' })
const none = { start: 0, about: '0 for none' } as const

/** Added heat and light. */
export const TOP_UP = group(
  {
    heater: group(
      {
        on: flag({ label: 'Heater' }),
        capacityW: power(0, 100000, { usual: [0, 20000], step: 250, label: 'Greatest output' }),
        setPointC: temperature(-10, 30, { step: 0.5, label: 'Keeps the air at' }),
        fuel: entryOf(FUELS, { label: 'Fuel', hint: 'Its rough price comes along: put your own.' }),
        pricePerKWh: money(0, 100, { label: 'For each kWh of fuel' }),
        currency: text(3, { label: 'Currency' }),
        kind: choice(
          [
            { id: 'air', name: 'warms the air' },
            { id: 'radiant', name: 'shines on faces and water' },
          ],
          { start: 'air', label: 'Kind' },
        ),
      },
      { label: 'Heater' },
    ),
    solarAir: group(
      {
        areaM2: area(0, 200, { ...none, label: 'Area' }),
        tiltDeg: tilt(60),
        flowM3h: plain(10, 20000, { start: 200, unit: 'm³/h', label: 'Flow' }),
      },
      { label: 'Solar air panel', about: 'a collector that warms room air' },
    ),
    solarWater: group(
      { areaM2: area(0, 200, { ...none, label: 'Area' }), tiltDeg: tilt(60) },
      { label: 'Solar water panel', about: 'a collector with a loop of liquid to a coil in the water' },
    ),
    compost: group(
      {
        tonnes: plain(0, 200, { ...none, unit: 't', label: 'Mass' }),
        startDay: count(0, 364, { start: 305, label: 'Set up on', about: 'day of the year, 0 for 1 January' }),
      },
      { label: 'Compost heap', about: 'with a loop to the beds' },
    ),
    bedLoop: group(
      {
        capacityW: power(0, 100000, { ...none, label: 'Greatest output' }),
        setPointC: temperature(-60, 60, { start: 14, label: 'Keeps the beds at' }),
      },
      { label: 'Warm-water loop in the beds', about: 'on the heater’s fuel' },
    ),
    lamps: group(
      {
        powerW: power(0, 200000, { ...none, label: 'Power' }),
        fromH: hours(0, 24, { start: 5, label: 'Lit from' }),
        untilH: hours(0, 24, { start: 8, label: 'Lit until' }),
        molPerMJ: plain(0, 5, {
          start: 2.5,
          unit: 'mol/MJ',
          label: 'Light for the power',
          about: 'useful light per MJ drawn',
        }),
        months: list(count(1, 12, { label: 'Month' }), 0, 12, {
          start: [11, 12, 1, 2],
          label: 'Months',
          about: 'lit in these months, 1–12',
        }),
      },
      { label: 'Lamps' },
    ),
    dumpLoad: group(
      { peakW: power(0, 100000, { ...none, label: 'Peak power' }), tiltDeg: tilt(45) },
      { label: 'Spare solar power', about: 'into the water, else the air' },
    ),
    people: group(
      {
        count: count(0, 200, { whole: false, ...none, label: 'People' }),
        fromH: hours(0, 24, { start: 9, label: 'There from' }),
        untilH: hours(0, 24, { start: 16, label: 'There until' }),
      },
      { label: 'People' },
    ),
  },
  { label: 'Top-up' },
)
