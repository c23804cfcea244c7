import { entry, isBlown, LEAKAGE_CLASSES } from '../catalog'
import type { Design } from '../design/types'
import { designFaults, patchDesign, type Patch } from '../editing'
import { ach50Of } from '../air/ach50'

/** Something that a design takes for known and nobody has measured. */
export interface Unknown {
  id: string
  words: string
  /** How one would find out. */
  measure: string
  /** Its plausible ends, as edits, each with its words; null where it does not arise. */
  ends: (design: Design) => { words: string; patches: readonly Patch[] }[] | null
}

const round = (v: number) => Math.round(v * 100) / 100
const fit = (id: 'tight' | 'loose', words: string) => ({ words, patches: [['skin.cover.fit', id]] as Patch[] })

/** What to doubt, and how far: a new one is an entry here. */
export const UNKNOWNS: readonly Unknown[] = [
  {
    id: 'leakage',
    words: 'How tight it is',
    measure: 'A fan in the door, or smoke along the laps on a windy day.',
    ends: ({ breathe }) => {
      const now = ach50Of(breathe)
      const at = (share: number, words: string) => ({
        words,
        patches: [
          ['breathe.leakage', 'measured'],
          ['breathe.ach50', Math.max(0.5, Math.min(200, round(now * share)))],
        ] as Patch[],
      })
      const known = breathe.leakage === 'measured'
      return known
        ? [at(0.85, 'a little tighter'), at(1.15, 'a little leakier')]
        : [
            at(Math.max(0.4, entry(LEAKAGE_CLASSES, 'tight').ach50 / 2 / now), 'half as leaky as thought'),
            at(2, 'twice as leaky as thought'),
          ]
    },
  },
  {
    id: 'cover-fit',
    words: 'How well the cover fits',
    measure: 'A hand along its edges on a cold night, or a thermometer between it and the pane.',
    ends: ({ skin }) =>
      skin.cover.id === 'none' ? null : [fit('tight', 'tight all round'), fit('loose', 'hanging free')],
  },
  {
    id: 'presence',
    words: 'Who draws the cover',
    measure: 'A tally of nights on the door.',
    ends: ({ skin }) =>
      skin.cover.id === 'none' || skin.cover.moved !== 'hand'
        ? null
        : [
            { words: 'never forgotten', patches: [['skin.cover.forgotten', 0]] },
            { words: 'four nights a month forgotten', patches: [['skin.cover.forgotten', 4]] },
          ],
  },
  {
    id: 'blower',
    words: 'Whether the film stays blown up',
    measure: 'A hand on the film in the morning, and a spare blower on the shelf.',
    ends: ({ skin }) =>
      Object.values(skin.parts).some(
        p => p.kind === 'glazed' && p.condition === null && isBlown(p.glazing ?? skin.glazing),
      )
        ? [
            { words: 'it never fails', patches: [['skin.condition.blowerW', Math.max(5, skin.condition.blowerW)]] },
            { words: 'it stands still all winter', patches: [['skin.condition.blowerW', 0]] },
          ]
        : null,
  },
  {
    id: 'soil',
    words: 'The ground',
    measure: 'A hole as deep as the spade goes: sand runs, clay holds its shape.',
    ends: () => [
      { words: 'sand or gravel', patches: [['site.soil', 'sandy-soil']] },
      { words: 'clay or silt', patches: [['site.soil', 'clay-soil']] },
    ],
  },
  {
    id: 'glazing',
    words: 'Dirt and bars of the glazing',
    measure: 'A light meter outside and inside at noon on a dull day.',
    ends: () => [
      {
        words: 'clean, slender bars',
        patches: [
          ['skin.condition.dirt', 0],
          ['skin.condition.frameShare', 0.05],
        ],
      },
      {
        words: 'dirty, stout bars',
        patches: [
          ['skin.condition.dirt', 0.15],
          ['skin.condition.frameShare', 0.2],
        ],
      },
    ],
  },
  {
    id: 'shelter',
    words: 'How the wind gets at it',
    measure: 'A ribbon on a pole through a week of wind.',
    ends: () => [
      { words: 'sheltered', patches: [['site.shelter', 'close']] },
      { words: 'in the open', patches: [['site.shelter', 'open']] },
    ],
  },
  {
    id: 'weather',
    words: 'The winter that comes',
    measure: 'Nobody can: plan for the one that you can bear.',
    ends: ({ site }) =>
      site.climate.kind === 'normals'
        ? [7, 31, 53, 71].map(k => ({
            words: `another winter`,
            patches: [
              ['site.seed', (site.seed + k) % 4294967296],
              ['site.months', 'varied'],
            ],
          }))
        : null,
  },
]

/** Unknowns' ends laid on a design; those that it can't take are left out. */
export function doubted(
  design: Design,
  unknowns: readonly Unknown[] = UNKNOWNS,
): { unknown: Unknown; words: string; design: Design }[] {
  return unknowns.flatMap(unknown =>
    (unknown.ends(design) ?? []).flatMap(({ words, patches }) => {
      const other = patchDesign(design, patches)
      return designFaults(other).length === 0 ? [{ unknown, words, design: other }] : []
    }),
  )
}
