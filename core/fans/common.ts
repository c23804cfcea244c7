import { area, choice, count, difference, group, number, electricPower, temperature, type Value } from '../design/field'
import type { FanKind } from './kind'

/** Fields that many kinds share. */
export const flowM3h = (start: number) => number('airflow', 1, 50000, { start, label: 'Flow' })
export const powerW = (start: number) => electricPower(0, 10000, { start, label: 'Power' })

/** A fan in the skin: out by one kind, in by the other. */
export function fanInSkin<const K extends string>(kind: K, name: string, louvre: string, drives: 'out' | 'in') {
  const fields = group(
    {
      kind: choice([{ id: kind, name }], {}),
      stages: count(1, 4, { start: 1, label: 'Stages', about: 'so many fans alike, one after the other' }),
      flowM3h: flowM3h(2000),
      shutOffPa: number('pressure', 5, 2000, { start: 60, label: 'Shut-off pressure', about: 'no air is moved at it' }),
      powerW: powerW(120),
      louvreM2: area(0, 20, {
        start: 0.4,
        step: 0.1,
        label: louvre,
        about: 'free area, open while the fan runs; 0 for none: then air comes by what else is open, and by leaks',
      }),
      startC: temperature(-60, 60, { start: 30, step: 0.5, label: 'Starts at' }),
      stepK: difference(0, 15, {
        start: 3,
        label: 'Next stage',
        about: 'each stage starts this much above the one before',
      }),
    },
    { label: name },
  )
  const of: FanKind<Value<typeof fields>> & { fields: typeof fields } = {
    kind,
    name,
    fields,
    drives,
    blows: f => f,
    stirs: () => false,
    cost: f => ({ amount: (f.stages * f.flowM3h) / 1000, unit: 'pieces', price: 'device.fan' }),
    line: (f, show) =>
      `${f.stages > 1 ? `${f.stages} × ` : ''}${show(f.flowM3h, 'airflow')}, from ${show(f.startC, 'temperature')}`,
  }
  return of
}
