import { choice, group, temperature, type Value } from '../design/field'
import { flowM3h, powerW } from './common'
import type { FanKind } from './kind'

const RUNS = [
  { id: 'always', name: 'always' },
  { id: 'day', name: 'by day' },
  { id: 'night', name: 'by night' },
  { id: 'warm', name: 'while the air is warmer than' },
] as const

/** Stirs the air of the house; its power stays inside as heat. */
const fields = group(
  {
    kind: choice([{ id: 'circulating fan', name: 'Circulating fan' }], {}),
    flowM3h: flowM3h(1500),
    powerW: powerW(40),
    runs: choice(RUNS, {
      start: 'always',
      label: 'Runs',
      hint: 'It mixes the air under the ridge with that round the beds, and moves air along panes and soil.',
    }),
    aboveC: temperature(-20, 60, { start: 25, step: 0.5, label: 'Warmer than' }),
  },
  { label: 'Circulating fan' },
)
type Circulating = Value<typeof fields>

export const CIRCULATING: FanKind<Circulating> & { fields: typeof fields } = {
  kind: 'circulating fan',
  name: 'Circulating fan',
  fields,
  drives: 'round',
  blows: () => null,
  stirs: ({ runs, aboveC }, airC, isDay) =>
    runs === 'always' || (runs === 'warm' ? airC > aboveC : isDay === (runs === 'day')),
  cost: () => ({ amount: 1, unit: 'pieces', price: 'device.stirring-fan' }),
  line: (f, show) =>
    `${show(f.flowM3h, 'airflow')}, ${RUNS.find(r => r.id === f.runs)!.name}` +
    (f.runs === 'warm' ? ` ${show(f.aboveC, 'temperature')}` : ''),
}
