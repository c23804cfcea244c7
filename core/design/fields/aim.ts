import { CROPS } from '../../catalog'
import { choice, count, flag, group, length, list, money, number, orNull, temperature, text } from '../field'

/** The three things that a month may be asked for a crop. */
const MONTH = choice(
  [
    { id: 'grow', name: 'grow' },
    { id: 'hold', name: 'hold' },
    { id: '', name: 'nothing' },
  ],
  { about: '`grow`, `hold` or empty' },
)

/** Air that a crop bears or asks for. */
const air = (label: string) => temperature(-60, 60, { label })

/** What a crop that is in no catalogue asks for. */
export const CROP_NEEDS = group(
  {
    name: text(80, { label: 'Name' }),
    survivesC: air('survives'),
    growsC: air('grows at night above'),
    soilC: air('soil above'),
    highestC: air('air below'),
    dli: number('light', 0, 60, { label: 'light, mol/m²·d' }),
    weeks: count(1, 520, { whole: false, label: 'weeks to harvest' }),
    givesWeeks: count(0, 520, { start: 6, whole: false, label: 'weeks it gives' }),
    inPots: flag({ start: true, label: 'raised in pots' }),
  },
  { label: 'Its needs' },
)

export const CROP_CHOICE = group({
  id: text(80, { about: `one of the catalogue (${CROPS.length} crops), or an own name with needs` }),
  needs: orNull(CROP_NEEDS, { about: '`null` for a crop of the catalogue' }),
  months: list(MONTH, 12, 12, { about: 'twelve, January first' }),
})

const PERMITS = [
  { id: 'unknown', name: 'not asked yet' },
  { id: 'asked', name: 'asked' },
  { id: 'given', name: 'given' },
  { id: 'none needed', name: 'none needed' },
] as const
const BUILDERS = [
  { id: 'self', name: 'ourselves' },
  { id: 'friends', name: 'with friends' },
  { id: 'firm', name: 'a firm' },
  { id: 'unknown', name: 'not known yet' },
] as const

/** How hard a winter the aim is meant for. */
export const WINTERS = [
  { id: 'usual', name: 'a usual winter' },
  { id: 'one in five', name: 'one winter in five' },
  { id: 'one in twenty', name: 'one winter in twenty' },
] as const

/** What the house is for, and what is at hand to build it. */
export const AIM = group(
  {
    lowestAirC: temperature(-20, 30, { label: 'Lowest air', step: 0.5 }),
    highestAirC: temperature(15, 60, {
      label: 'Highest air',
      step: 0.5,
      about: 'lowest and highest stand for every month while no crops are chosen',
    }),
    lowestSoilC: orNull(temperature(-5, 30, { label: 'Lowest soil', step: 0.5, none: 'as the crops ask' }), {
      start: null,
      about: 'in every month, besides what crops ask while they grow',
    }),
    crops: list(CROP_CHOICE, 0, 12, {
      start: [],
      label: 'Crops',
      about: 'what is to live in it and when; with crops the two temperatures give way to theirs, month by month',
    }),
    winter: choice(WINTERS, {
      start: 'usual',
      label: 'Meant for',
      hint: 'How hard a winter it must stand: the score says what such a one brings.',
      about: 'the winter that the aim is read for',
    }),
    cropWeek: money(0, 1e10, {
      start: 0,
      label: 'A week of crops is worth',
      hint: 'Your own figure for the whole house: a week more in which crops grow helps a change to pay for itself.',
      about: 'counted into payback for each week of growing days that a change wins; 0 leaves it out',
    }),
    practical: group(
      {
        budget: money(0, 1e11, {
          start: 0,
          label: 'Budget',
          about: 'in the design’s currency; 0 while it is not known',
        }),
        builder: choice(BUILDERS, { start: 'unknown', label: 'Who builds it' }),
        power: flag({ start: true, label: 'Power on site' }),
        water: flag({ start: true, label: 'Water on site' }),
        wheelchair: flag({ start: false, label: 'A wheelchair must pass' }),
        headroomM: length(1.2, 2.6, { start: 1.9, label: 'Clear height over the path' }),
        reachM: length(0.3, 1.2, { start: 0.75, label: 'Reach over a bed' }),
        permits: choice(PERMITS, { start: 'unknown', label: 'Permits' }),
      },
      { label: 'What is at hand', about: 'looked at for cautions and, the budget, beside what the house costs' },
    ),
  },
  { label: 'Aim' },
)
