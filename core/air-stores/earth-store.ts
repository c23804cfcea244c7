import { choice, count, flag, group, length, orNull, share, thickness, type Value } from '../design/field'
import { airPath, CORRUGATION_M, roundPipe, type PipeBundle } from './air-path'
import { controls, fan, intake, on, startK, throughGround } from './common'
import type { AirStoreKind } from './kind'

/** How pipes lie: how often each runs the length of the house, and in how many layers. */
export const LAYOUTS = {
  'one layer': { runs: 1, layers: 1 },
  'two layers': { runs: 1, layers: 2 },
  'U': { runs: 2, layers: 1 },
  'S': { runs: 3, layers: 1 },
  'W': { runs: 4, layers: 1 },
} as const
const LAYOUT_CHOICES = [
  { id: 'one layer', name: 'side by side, once through' },
  { id: 'two layers', name: 'side by side in two layers' },
  { id: 'U', name: 'there and back (U)' },
  { id: 'S', name: 'three runs (S)' },
  { id: 'W', name: 'four runs (W)' },
] as const
/** Of two layers, the upper lies at this share of the depth. */
const UPPER_LAYER = 0.55
/** What a manifold or a riser that all air goes through costs, in velocity heads there: into it, and out. */
const THROUGH = 1.5

/** Air drawn from the room through pipes in the ground and back. */
const fields = group(
  {
    kind: choice([{ id: 'earth store', name: 'Earth store' }], {}),
    on,
    layout: choice(LAYOUT_CHOICES, { start: 'one layer', label: 'Pipes lie' }),
    pipes: count(1, 200, { start: 10, label: 'Pipes' }),
    pipeLengthM: length(1, 100, { start: 8, label: 'Pipe length', hint: 'each, with all its runs' }),
    pipeDiameterM: thickness(0.04, 0.6, { start: 0.1, label: 'Pipe diameter' }),
    spacingM: length(0.1, 3, { start: 0.4, label: 'Apart', hint: 'from middle to middle' }),
    depthM: length(0.2, 2.5, { start: 0.9, label: 'Depth' }),
    perforated: flag({ start: true, label: 'Perforated', about: 'what condenses seeps into the soil' }),
    fallShare: share(0, 0.1, { start: 0.01, label: 'Fall to the drain' }),
    drained: flag({ start: true, label: 'Drain at the low end' }),
    manifold: choice(
      [
        { id: 'pipe', name: 'a large pipe' },
        { id: 'barrel', name: 'barrels' },
      ],
      { start: 'pipe', label: 'Manifolds' },
    ),
    manifoldM: orNull(thickness(0.05, 2, { none: 'as wide as all pipes', label: 'Manifold diameter' }), {
      start: null,
      about: '`null`: as large as all pipes together',
    }),
    riserM: orNull(thickness(0.05, 2, { none: 'as wide as all pipes', label: 'Riser diameter' }), {
      start: null,
      about: 'the pipe that brings the air down; `null`: as large as all pipes together',
    }),
    startK,
    intake,
    ...controls,
    fan: fan(700, 120, 90),
  },
  { label: 'Earth store' },
)
type EarthStore = Value<typeof fields>

/** Its pipes as one bundle. */
export function bundleOf(s: EarthStore, soilConductivity: number): PipeBundle {
  const narrow = [s.manifoldM, s.riserM].flatMap(d =>
    d === null ? [] : [{ areaM2: roundPipe(d).areaM2, heads: THROUGH }],
  )
  return {
    ...roundPipe(s.pipeDiameterM),
    pipes: s.pipes,
    lengthM: s.pipeLengthM,
    roughnessM: CORRUGATION_M,
    fan: s.fan,
    soilConductivity,
    returns: LAYOUTS[s.layout].runs - 1,
    narrow,
  }
}

const depthsOf = (s: EarthStore): number[] =>
  LAYOUTS[s.layout].layers === 2 ? [s.depthM * UPPER_LAYER, s.depthM] : [s.depthM]

export const EARTH_STORE: AirStoreKind<EarthStore> & { fields: typeof fields } = {
  kind: 'earth store',
  name: 'Earth store',
  plural: false,
  fields,
  lies: 'floor',
  depthM: s => s.depthM,
  depthsM: depthsOf,
  footM2: () => 0,
  work: (s, { soilConductivity }) => throughGround(s, airPath(bundleOf(s, soilConductivity))),
  line: (s, show) =>
    `${s.pipes} pipes of ${show(s.pipeLengthM, 'length')}, ${show(s.pipeDiameterM, 'thickness')} wide, ` +
    `${show(s.depthM, 'length')} deep`,
}
