import { GAPS, LEAKAGE_CLASSES } from '../../catalog'
import { FAN } from '../../fans/registry'
import { PEOPLE, presenceDays, presenceFrom, presenceUntil } from '../../people/presence'
import { area, entryOf, flag, group, hours, list, number, plain, share, temperature, bedNumbers } from '../field'

const air = (start: number, label: string, about = '') => temperature(-60, 60, { start, label, about })

/** A gap found on a walk round. */
const GAP = group({
  kind: entryOf(GAPS, { label: 'Gap' }),
  amount: plain(0, 10000, { unit: 'm or pieces', label: 'How much' }),
})

/** So many fans a house may have. */
export const MOST_FANS = 8

/** Leaks, fans, people, and what is drawn or shut against the cold. */
export const BREATHE = group(
  {
    people: PEOPLE,
    leakage: entryOf([...LEAKAGE_CLASSES, { id: 'measured', name: 'measured' }], {
      label: 'How it is built',
      about: 'a leakage class, or `measured` with `ach50`',
    }),
    ach50: number('airChanges', 0.3, 300, { start: 24, step: 1, label: 'Air changes an hour under 50 Pa' }),
    gaps: list(GAP, 0, 20, {
      start: [],
      label: 'Gaps',
      about: 'what a walk round found; it counts once it is taken over into `ach50`',
    }),
    fans: list(FAN, 0, MOST_FANS, { start: [], label: 'Fans', about: 'out, in and round' }),
    airing: group(
      {
        on: flag({ start: false, label: 'Winter habit' }),
        fromH: hours(0, 24, { start: 11, label: 'Aired from' }),
        untilH: hours(0, 24, { start: 13, label: 'Aired until' }),
        holdUntilC: air(30, 'Vents wait until'),
        belowC: temperature(-20, 25, {
          start: 8,
          label: 'Winter days',
          about: 'days are winter while their mean outside is below this',
        }),
      },
      { label: 'Winter habit', about: 'vents stay shut until it is really warm, and the house is aired at midday' },
    ),
    lobby: group(
      {
        areaM2: area(0, 40, {
          start: 0,
          label: 'Entry lobby, floor',
          hint: 'Keeps cold air out; drawn on the plan.',
          about: '0 for none',
        }),
      },
      { label: 'Entry lobby' },
    ),
    rowCover: group(
      {
        on: flag({ start: false, label: 'Row cover' }),
        belowC: air(4, 'Drawn below'),
        inBeds: bedNumbers({
          label: 'Lies over',
          hint: 'All beds, unless some are pressed.',
          about: 'none for all beds',
        }),
        days: presenceDays,
        fromH: presenceFrom,
        untilH: presenceUntil,
      },
      { label: 'Row cover', about: 'a sheet over the beds on cold nights, laid by hand' },
    ),
    misting: group(
      {
        on: flag({ start: false, label: 'Misting' }),
        startC: temperature(10, 45, {
          start: 28,
          label: 'It begins at',
          hint: 'With all its nozzles three degrees above.',
          about: 'it begins there, and runs with all its nozzles 3 K above',
        }),
        perHourM3: number('volume', 0, 2, { start: 0.02, label: 'Water in an hour, all nozzles' }),
        upTo: share(0.3, 0.95, { start: 0.8, label: 'No damper than', about: 'relative humidity' }),
      },
      { label: 'Misting', about: 'fine drops that dry in the air and cool it' },
    ),
  },
  { label: 'Breathe' },
)
