import { fittedCover } from '../catalog'
import type { Design } from '../design/types'
import type { Patch } from '../editing'
import { WATER_SPECIFIC_HEAT } from '../physics/constants'
import { aSource } from '../sources/registry'
import type { Show } from '../units'

/** What is known of the evening and the morning of a night: o'clock by the site's standard clock. */
export interface NightTimes {
  /** When the light is gone, and when it is back. */
  duskH: number
  dawnH: number
  /** When the air inside falls under what the crops want, if nothing is done; null where it does not. */
  failsH: number | null
}

/** Something that somebody can do against a cold night. */
export interface NightAct {
  id: string
  /** Whether this house has it. */
  has: (design: Design) => boolean
  /** The house with it done before a night of so low an air outside, °C, and with it left. */
  done: (design: Design, outsideMinC: number) => readonly Patch[]
  left: (design: Design) => readonly Patch[]
  words: (design: Design, show: Show) => string
  /** From and until when, o'clock; null where it has no time of its own. */
  when: (design: Design, times: NightTimes) => { fromH: number; untilH: number | null }
  caution?: string
  /** Trouble that nobody takes for a night that the crops stand anyway. */
  onlyInNeed?: boolean
}

const byHand = ({ skin }: Design) => fittedCover(skin.cover).resistance > 0 && skin.cover.moved === 'hand'
/** Somebody draws it before the light goes: the last of it brings less than the panes lose. */
const BEFORE_DUSK_H = 0.5
const AFTER_DAWN_H = 1

/** Warm water that two people carry in, L and °C; what it has cooled to by morning, and how long that takes, h. */
const WARM_L = 100
const WARM_C = 60
const COOLED_C = 15
const COOLS_H = 14
const CARRIED_AT_H = 18

/** What can be done: a new one is an entry here. */
export const NIGHT_ACTS: readonly NightAct[] = [
  {
    id: 'cover',
    has: byHand,
    done: () => [['skin.cover.forgotten', 0]],
    left: () => [['skin.cover.id', 'none']],
    words: () => 'Draw the night cover, tucked in all round',
    when: (_, { duskH, dawnH }) => ({ fromH: duskH - BEFORE_DUSK_H, untilH: dawnH + AFTER_DAWN_H }),
  },
  {
    id: 'row-cover',
    has: ({ shape }) => shape.beds.length > 0,
    done: () => [
      ['breathe.rowCover.on', true],
      ['breathe.rowCover.belowC', 25],
      // Whoever does it is there for it.
      ['breathe.rowCover.days', 'every day'],
      ['breathe.rowCover.fromH', 0],
      ['breathe.rowCover.untilH', 24],
    ],
    left: () => [['breathe.rowCover.on', false]],
    words: () => 'Row cover over the beds',
    when: (_, { duskH, dawnH }) => ({ fromH: duskH, untilH: dawnH + AFTER_DAWN_H }),
  },
  {
    id: 'warm-water',
    has: () => true,
    // It cools through the night, as a stove of that heat would burn; only on nights as cold as this one.
    done: ({ topUp }, outsideMinC) => [
      [
        'topUp.sources',
        [
          ...topUp.sources,
          aSource('stove', {
            lit: 'always',
            belowC: Math.min(20, Math.max(-40, outsideMinC + 0.5)),
            litAtH: CARRIED_AT_H,
            burnsH: COOLS_H,
            powerW: (WARM_L * WATER_SPECIFIC_HEAT * (WARM_C - COOLED_C)) / (COOLS_H * 3600),
            fuel: 'electricity',
            pricePerKWh: 0,
          }),
        ],
      ],
    ],
    left: () => [],
    words: (_, show) =>
      `Carry in ${show(WARM_L / 1000, 'volume')} of water at ${show(WARM_C, 'temperature')}, in closed drums`,
    onlyInNeed: true,
    when: (_, { duskH }) => ({ fromH: Math.max(CARRIED_AT_H, duskH), untilH: null }),
    caution: 'Hot water scalds: carry it in small closed cans, and stand them where no child can reach.',
  },
  {
    id: 'stove',
    has: ({ topUp }) => topUp.sources.some(s => s.kind === 'stove'),
    done: ({ topUp }) =>
      topUp.sources.flatMap((s, i): Patch[] =>
        s.kind === 'stove'
          ? [
              [`topUp.sources.${i}.on`, true],
              [`topUp.sources.${i}.belowC`, 20],
            ]
          : [],
      ),
    left: ({ topUp }) =>
      topUp.sources.flatMap((s, i): Patch[] => (s.kind === 'stove' ? [[`topUp.sources.${i}.on`, false]] : [])),
    words: () => 'Light the stove',
    when: ({ topUp }, { failsH }) => {
      const stove = topUp.sources.find(s => s.kind === 'stove')
      const litAtH = stove?.kind === 'stove' ? stove.litAtH : 20
      return { fromH: failsH === null ? litAtH : Math.min(litAtH, failsH), untilH: null }
    },
    caution: 'A stove needs a flue, fresh air, and a carbon monoxide alarm that was tested this month.',
  },
]
