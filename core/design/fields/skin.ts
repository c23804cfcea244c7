import { FINISHES, GLAZINGS, MATERIALS, NIGHT_COVERS } from '../../catalog'
import { OPENING } from '../../openings/registry'
import { presenceDays, presenceFrom, presenceUntil } from '../../people/presence'
import {
  choice,
  conductivity,
  count,
  entryOf,
  flag,
  group,
  hours,
  length,
  list,
  number,
  optional,
  orNull,
  electricPower,
  share,
  temperature,
  text,
  thickness,
  type Value,
} from '../field'

/** A material that is in no catalogue. */
export const OWN_MATERIAL = group({
  name: text(60, { label: 'Own material, name' }),
  conductivity: conductivity(0.005, 400, { label: 'Own material, conductivity' }),
  density: number('density', 1, 12000, { label: 'Own material, density' }),
  specificHeat: number('specificHeat', 100, 5000, { label: 'Own material, specific heat' }),
  solarAbsorptance: share(0.02, 0.98, { label: 'Own material, sun taken in' }),
})

/** One layer of an assembly. */
export const layer = (words: string) =>
  group(
    {
      material: entryOf([...MATERIALS, { id: 'own', name: 'own' }], {
        label: 'Material',
        about: 'of the catalogue, or `own` with `own` beside it',
      }),
      thicknessM: thickness(0, 1.5, { label: 'Thickness' }),
      framing: optional(
        share(0, 0.4, {
          label: 'Share of timber framing',
          about: 'left out: in a wall or roof the insulation has as much as the frame that stands in it, all else none',
        }),
      ),
      own: optional(OWN_MATERIAL),
    },
    { label: words },
  )
export type Layer = Value<ReturnType<typeof layer>>

const COVER_PLACES = [
  { id: 'inside', name: 'inside the glazing' },
  { id: 'outside', name: 'outside it' },
  { id: 'between', name: 'between two sheets' },
] as const
const COVER_FITS = [
  { id: 'tight', name: 'edges in pockets or channels' },
  { id: 'usual', name: 'as it is usually hung' },
  { id: 'loose', name: 'hanging free' },
] as const
const COVER_RULES = [
  { id: 'sun', name: 'by the sun' },
  { id: 'clock', name: 'by the clock' },
  { id: 'cold', name: 'whenever it is dark and cold' },
  { id: 'gain', name: 'while it keeps more in than the light is worth' },
] as const

const finish = (label: string, hint = '') => entryOf(FINISHES, { start: 'bare', label, hint })

const CONDITION = group(
  {
    frameShare: orNull(share(0, 0.5, { label: 'Bars and frame, share of the opening' }), {
      start: null,
      about: 'null: what is usual of the form and the glazing',
    }),
    ageYears: count(0, 40, {
      whole: false,
      start: 0,
      step: 1,
      label: 'Age in years',
      hint: 'Sheet and film grow dim with the years.',
    }),
    dirt: share(0, 0.6, { start: 0.02, step: 0.01, label: 'Light that dirt takes' }),
    blowerW: electricPower(0, 500, {
      start: 30,
      step: 5,
      usual: [0, 100],
      label: 'Blower between two sheets of film',
      about: 'of film that is blown up: electricity all year; 0 for none, and the sheets lie on each other',
    }),
  },
  { label: 'Condition of the glazing' },
)

const COVER_MOVERS = [
  { id: 'motor', name: 'by a motor' },
  { id: 'hand', name: 'by hand, by somebody who is there' },
] as const

const LEAVING = [
  { id: 'opens', name: 'opens it before they go' },
  { id: 'keeps', name: 'leaves it drawn' },
] as const

export const COVER = group(
  {
    id: entryOf(NIGHT_COVERS, { label: 'Kind' }),
    place: choice(COVER_PLACES, { start: 'inside', label: 'Place' }),
    fit: choice(COVER_FITS, { start: 'usual', label: 'Fit', hint: 'Edges that leak undo a cover.' }),
    edgeLeak: orNull(share(0, 0.5, { none: 'as it fits', label: 'Leak at its edges, found', step: 0.01 }), {
      start: null,
      about: 'share of the panes that the air goes round it at, as readings found it; `null`: by its kind and fit',
    }),
    rule: choice(COVER_RULES, {
      start: 'sun',
      label: 'Drawn and opened',
      about: 'by the sun, by the clock, by cold alone (dark or not), or by what light brings and the pane loses',
    }),
    fromH: hours(0, 24, { start: 17, step: 0.5, label: 'Drawn at, o’clock' }),
    untilH: hours(0, 24, { start: 8, step: 0.5, label: 'Opened at, o’clock' }),
    afterSunsetH: hours(-3, 6, { step: 0.5, label: 'Drawn after sunset', about: 'negative: before' }),
    afterSunriseH: hours(-3, 6, { step: 0.5, label: 'Opened after sunrise' }),
    onlyBelowC: temperature(-30, 40, { label: 'Only when outside is below' }),
    moved: choice(COVER_MOVERS, { start: 'motor', label: 'Moved' }),
    days: presenceDays,
    thereFromH: presenceFrom,
    thereUntilH: presenceUntil,
    leaving: choice(LEAVING, {
      start: 'opens',
      label: 'Who leaves before the sun is up',
      about: 'by hand: a house that is left covered is dark all day, one that is left open cools until the sun is up',
    }),
    forgotten: count(0, 15, {
      start: 0,
      label: 'Nights forgotten a month',
      about: 'by hand: it stays open on so many nights of each month',
    }),
    shades: flag({ start: false, label: 'Drawn as shade too', about: 'by day, in bright sun' }),
    shadeAboveC: temperature(-30, 60, { start: 28, usual: [15, 45], step: 0.5, label: 'When outside is above' }),
  },
  { label: 'Night cover' },
)

const PART_KINDS = [
  { id: 'solid', name: 'solid' },
  { id: 'glazed', name: 'glazed' },
] as const

/**
 * What a part is made of. What it leaves open (null) it has from the house: glazing, condition, cover, layers, finish.
 */
const made = (kind: 'solid' | 'glazed') => ({
  kind: choice(PART_KINDS, { start: kind, label: 'Made' }),
  glazing: orNull(entryOf(GLAZINGS, { label: 'Glazing' }), {
    start: null,
    label: 'Glazing of its own',
    about: 'null: the house’s',
  }),
  condition: orNull(CONDITION, { start: null, label: 'Condition of its own', about: 'null: the house’s' }),
  cover: orNull(COVER, { start: null, label: 'Night cover of its own', about: 'null: the house’s' }),
  layers: orNull(list(layer('layer #'), 1, 8, { label: 'Layers' }), {
    start: null,
    label: 'Layers of its own',
    about: 'outside to inside; null: those of the walls, or of the solid roof for a slope',
  }),
  finish: orNull(entryOf(FINISHES, { label: 'Inner face' }), {
    start: null,
    label: 'Inner face of its own',
    about: 'null: as the walls, or the solid roof',
  }),
  outside: entryOf(FINISHES, { start: 'bare', label: 'Outer face', about: 'bare: of middling colour' }),
})

/** A straight or bent part of the section. */
const stretch = (kind: 'solid' | 'glazed', label: string) =>
  group(
    {
      ...made(kind),
      solidTopM: length(0, 12, {
        start: 0,
        step: 0.05,
        usual: [0, 3],
        label: 'Solid upper stretch',
        hint: 'Built like the solid roof; measured down from the top of the part.',
        about: 'of a glazed part; 0 for none',
      }),
    },
    { label },
  )

const end = (label: string) =>
  group(
    {
      ...made('solid'),
      glazedShare: share(0, 0.9, { start: 0, step: 0.05, label: 'Glazed share', about: 'let into a solid end' }),
    },
    { label },
  )

/**
 * The parts of the skin: those of the section from the sunny foot over the ridge to the pole-side foot, then the ends.
 * A form has some of them; what it does not have keeps what was chosen.
 */
export const PARTS = group(
  {
    kneeWall: stretch('solid', 'Knee wall'),
    front: stretch('glazed', 'Front'),
    sunnySlope: stretch('glazed', 'Sunny slope'),
    poleSlope: stretch('solid', 'Pole slope'),
    lowerPoleSlope: stretch('solid', 'Lower pole slope'),
    backWall: stretch('solid', 'Back wall'),
    eastEnd: end('East end'),
    westEnd: end('West end'),
  },
  {
    label: 'Parts of the skin',
    about:
      'a dome has a knee wall (its riser wall), a sunny slope (its glazing) and, where that is solid, a pole slope',
  },
)

/** So many openings may be let into a house. */
const MOST_OPENINGS = 40

/** Glazing, walls, roof, night cover and ground edge. */
export const SKIN = group(
  {
    glazing: entryOf(GLAZINGS, { label: 'Glazing', hint: 'Compare sets all of them side by side.' }),
    wall: list(layer('Walls, layer #'), 1, 8, {
      label: 'Walls',
      about: 'walls and ends that have no layers of their own; from outside to inside',
    }),
    roof: list(layer('Solid roof, layer #'), 1, 8, {
      label: 'Solid roof',
      about: 'solid slopes that have no layers of their own; from outside to inside',
    }),
    condition: CONDITION,
    finish: group(
      {
        wall: finish('Inner face of the walls', 'Reflecting faces light the plants; dark faces warm the mass.'),
        roof: finish('Inner face of the roof'),
      },
      { label: 'Finish' },
    ),
    cover: COVER,
    parts: PARTS,
    openings: list(OPENING, 0, MOST_OPENINGS, {
      start: [],
      label: 'Openings',
      about: 'vents, windows and doors, each on a part',
    }),
    snow: group(
      {
        cleared: choice(
          [
            { id: 'never', name: 'never' },
            { id: 'weekly', name: 'once a week' },
            { id: 'daily', name: 'every morning' },
          ],
          {
            start: 'never',
            label: 'Snow at the foot of the house is cleared',
            hint: 'A bank keeps a wall warm and takes the light of low glazing.',
          },
        ),
      },
      { label: 'Snow' },
    ),
    edge: group(
      {
        material: entryOf(MATERIALS, { label: 'Board' }),
        thicknessM: thickness(0, 0.3, { step: 0.01, label: 'Thickness' }),
        depthM: length(0, 2, { step: 0.05, label: 'Depth' }),
        skirtM: length(0, 3, {
          start: 0,
          step: 0.1,
          label: 'Skirt sloping outwards',
          hint: 'Buried board that keeps the frost off where one cannot dig deep.',
        }),
      },
      { label: 'Ground edge', about: 'board against the frost' },
    ),
  },
  { label: 'Skin' },
)
