import { AIR_STORE_KINDS, anAirStore } from '../../../core/air-stores/registry'
import { BODY_KINDS } from '../../../core/bodies/registry'
import { GLAZINGS, LEAKAGE_CLASSES, MATERIALS, NIGHT_COVERS, SHELTERS } from '../../../core/catalog'
import { fieldRule, type AirStore, type Design, type Source } from '../../../core/design'
import { patchDesign } from '../../../core/editing'
import { aFan, FAN_KINDS, type AnyFan } from '../../../core/fans/registry'
import { OPENING_KINDS } from '../../../core/openings/registry'
import { aSource, SOURCE_KINDS } from '../../../core/sources/registry'
import type { Figure, Limit } from './limit'
import { withAirStore, withBody, withFan, withOpening, withSource } from './nothing'

/** Fields whose way of working is known: a larger value never goes the other way. */
const FIELDS: readonly [path: string, figure: Figure, then: 'rises' | 'falls', tolerance: number][] = [
  ['breathe.ach50', 'coldest', 'falls', 0.02],
  ['skin.condition.dirt', 'light', 'falls', 1e-6],
  ['skin.condition.ageYears', 'light', 'falls', 1e-6],
  ['skin.condition.frameShare', 'light', 'falls', 1e-6],
  ['skin.cover.edgeLeak', 'coldest', 'falls', 0.03],
  ['skin.edge.thicknessM', 'coldest', 'rises', 0.05],
  ['skin.edge.depthM', 'coldest', 'rises', 0.05],
  ['skin.edge.skirtM', 'coldest', 'rises', 0.05],
  ['store.reach', 'coldest', 'rises', 0.1],
  ['breathe.misting.perHourM3', 'hottest', 'falls', 0.1],
  ['shape.house.airC', 'coldest', 'rises', 0.02],
  ['shape.overhangM', 'light', 'falls', 0.02],
]

/** Two values of a field within its range, the lesser first, by chance. */
function fieldPair(path: string): Limit['pair'] {
  return (d, random) => {
    const rule = fieldRule(path, d)
    const on =
      path === 'breathe.ach50'
        ? patchDesign(d, [['breathe.leakage', 'measured']])
        : path.startsWith('breathe.misting')
          ? patchDesign(d, [['breathe.misting.on', true]])
          : d
    if (!rule || 'choices' in rule) return null
    const { low, high } = rule
    // Closer to the lower end, where the values that people have lie.
    const at = () => low + (high - low) * random() ** 2
    const [a, b] = [at(), at()].sort((x, y) => x - y)
    const house = (v: number) => patchDesign(on, [[path, v]])
    return [house(a!), house(b!)]
  }
}

/** Of a list in order, each with its next. */
const steps = <T>(list: readonly T[]): [T, T][] => list.slice(1).map((b, i) => [list[i]!, b])

/** What more of something does, whatever the house: fields by chance, kinds and materials from their registries. */
export function pairLimits(): Limit[] {
  const limit = (
    name: string,
    figure: Figure,
    then: 'rises' | 'falls',
    tolerance: number,
    pair: Limit['pair'],
  ): Limit => ({ name, figure, pair, then, tolerance })
  const withSkin = (d: Design, skin: Partial<Design['skin']>): Design => ({ ...d, skin: { ...d.skin, ...skin } })
  const covered = (d: Design, cover: Partial<Design['skin']['cover']>) =>
    withSkin(d, { cover: { ...d.skin.cover, rule: 'sun', ...cover } })
  const insulated = (d: Design, material: string, thicknessM: number) =>
    withSkin(d, {
      wall: [
        { material: 'plywood', thicknessM: 0.015 },
        { material, thicknessM },
      ],
    })
  return [
    ...FIELDS.map(([path, figure, then, tolerance]) =>
      limit(`more of ${path}`, figure, then, tolerance, fieldPair(path)),
    ),
    limit('every month a kelvin warmer', 'coldest', 'rises', 0.02, d => {
      const { climate } = d.site
      if (climate.kind !== 'normals') return null
      const up = (list: readonly number[]) => list.map(v => v + 1)
      return [
        d,
        { ...d, site: { ...d.site, climate: { ...climate, lowC: up(climate.lowC), highC: up(climate.highC) } } },
      ]
    }),
    ...GLAZINGS.flatMap(({ id }) => [
      limit(`dirt on ${id}`, 'light', 'falls', 1e-6, d => {
        const clean = withSkin(d, { glazing: id, condition: { ...d.skin.condition, dirt: 0 } })
        return [clean, withSkin(clean, { condition: { ...d.skin.condition, dirt: 0.2 } })]
      }),
      limit(`a quilt over ${id}`, 'coldest', 'rises', 0.05, d => {
        const bare = withSkin(covered(d, { id: 'none' }), { glazing: id })
        return [bare, covered(bare, { id: 'quilt', place: 'inside' })]
      }),
    ]),
    // Of one kind and make, more sheets.
    ...[
      ['glass-1', 'glass-2', 'glass-3', 'glass-4'],
      ['film-1', 'film-2', 'film-3'],
      ['twinwall-10', 'multiwall-16', 'multiwall-25', 'multiwall-32'],
    ].flatMap(row =>
      steps(row).flatMap(([fewer, more]) => [
        limit(`${more} for ${fewer}`, 'light', 'falls', 1e-6, d => [
          withSkin(d, { glazing: fewer }),
          withSkin(d, { glazing: more }),
        ]),
        limit(`${more} for ${fewer}, no cover`, 'coldest', 'rises', 0.1, d => [
          withSkin(covered(d, { id: 'none' }), { glazing: fewer }),
          withSkin(covered(d, { id: 'none' }), { glazing: more }),
        ]),
      ]),
    ),
    ...MATERIALS.filter(m => m.group === 'insulation').map(m =>
      limit(`twice as much ${m.id} in the walls`, 'coldest', 'rises', 0.05, d => [
        insulated(d, m.id, 0.06),
        insulated(d, m.id, 0.12),
      ]),
    ),
    ...NIGHT_COVERS.filter(c => c.id !== 'none').flatMap(c => [
      limit(`${c.id} for no cover`, 'coldest', 'rises', 0.05, d => [
        covered(d, { id: 'none' }),
        covered(d, { id: c.id as 'quilt' }),
      ]),
      limit(`${c.id} fitted tightly, not loosely`, 'coldest', 'rises', 0.05, d => [
        covered(d, { id: c.id as 'quilt', edgeLeak: null, fit: 'loose' }),
        covered(d, { id: c.id as 'quilt', edgeLeak: null, fit: 'tight' }),
      ]),
    ]),
    ...steps(LEAKAGE_CLASSES).map(([tighter, leakier]) =>
      limit(`${leakier.id}, not ${tighter.id}`, 'coldest', 'falls', 0.02, d => [
        patchDesign(d, [['breathe.leakage', tighter.id]]),
        patchDesign(d, [['breathe.leakage', leakier.id]]),
      ]),
    ),
    ...steps(SHELTERS).map(([opener, closer]) =>
      limit(`shelter ${closer.id}, not ${opener.id}`, 'coldest', 'rises', 0.02, d => [
        patchDesign(d, [['site.shelter', opener.id]]),
        patchDesign(d, [['site.shelter', closer.id]]),
      ]),
    ),
    ...BODY_KINDS.map(kind =>
      limit(`${kind.name} put in`, 'coldest', 'rises', 0.1, d => {
        const more = withBody(d, kind)
        return more && [d, more]
      }),
    ),
    ...SOURCE_KINDS.map(kind =>
      limit(`${kind.kind} put in`, 'coldest', 'rises', 0.05, d => [
        d,
        withSource(d, aSource(kind.kind as Source['kind'], { on: true })),
      ]),
    ),
    ...FAN_KINDS.map(kind =>
      limit(`${kind.kind} put in`, 'hottest', 'falls', 0.3, d => [d, withFan(d, aFan(kind.kind as AnyFan['kind']))]),
    ),
    ...AIR_STORE_KINDS.map(kind =>
      limit(`${kind.kind} put in`, 'coldest', 'rises', 0.1, d => [
        d,
        withAirStore(d, anAirStore(kind.kind as AirStore['kind'])),
      ]),
    ),
    ...OPENING_KINDS.map(kind =>
      limit(`${kind.kind} put in`, 'hottest', 'falls', 0.3, d => {
        const more = withOpening(d, kind)
        return more && [d, more]
      }),
    ),
    limit('a second heater', 'coldest', 'rises', 1e-3, d => {
      const one = withSource(d, aSource('heater', { on: true, setPointC: 5, capacityW: 500 }))
      return [one, withSource(one, aSource('heater', { on: true, setPointC: 5, capacityW: 500 }))]
    }),
    limit('a warmer set point', 'heat', 'rises', 1, d => {
      const kept = (setPointC: number) =>
        withSource({ ...d, topUp: { ...d.topUp, sources: [] } }, aSource('heater', { on: true, setPointC }))
      return [kept(4), kept(8)]
    }),
    limit('a warmer skyline', 'coldest', 'rises', 0.02, d => {
      // Only the sky’s side away from the sun is hidden: what falls is the cold of the sky alone.
      const pole = d.site.latitudeDeg >= 0 ? 0 : 180
      const wall = (altitudeDeg: number) => ({
        ...d,
        site: {
          ...d.site,
          horizon: [-60, -50, 50, 60].map((off, i) => ({
            azimuthDeg: (pole + off + 360) % 360,
            altitudeDeg: i === 1 || i === 2 ? altitudeDeg : 0,
            kind: 'solid' as const,
          })),
        },
      })
      return [wall(1), wall(30)]
    }),
  ]
}
