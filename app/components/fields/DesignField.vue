<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'
import { bedName, fieldAt, valueAt } from '../../../core/design'
import { isBedNumbers, isMonths, type NumberField } from '../../../core/design/field'
import type { OtherReading } from '../../../core/units'

/**
 * A field of the design on the bench, by its path: name, unit, limits, hint and choices come from the document's table.
 */
const props = defineProps<{
  path: string
  /** In place of the table's, where the panel knows better. */
  label?: string
  hint?: string
  min?: number
  max?: number
  /** Choices of a choice, and of a number that stands for one of them: '' for null. */
  options?: readonly { id: string; name: string }[]
  /** Of a number that may be null: what stands in its place. */
  none?: string
  /** How the value is taken, where more hangs on it than its place; gives back why not, or null. */
  set?: (value: never) => string | null
  /** Another quantity in which a number may be typed, with its unit. */
  other?: OtherReading
}>()

const bench = useDesign()
const field = computed(() => {
  const found = fieldAt(props.path, bench.current)
  if (!found) throw new RangeError(`There is no ${props.path} in a design.`)
  return found
})
const value = computed(() => valueAt(bench.current, props.path))
const number = computed(() => value.value as number | null)
const take = (v: unknown): string | null => (props.set ? props.set(v as never) : bench.edit([[props.path, v]]))
const label = computed(() => props.label ?? field.value.label)
const hint = computed(() => props.hint ?? (field.value.hint || undefined))
/** Of a list of months or of beds, what there is. */
const some = computed(() => {
  const { beds } = bench.current.shape
  if (isMonths(field.value)) return MONTH_NAMES.map((name, i) => ({ id: i + 1, name, short: name.slice(0, 3) }))
  if (!isBedNumbers(field.value)) return null
  return beds.map((_, id) => ({ id, name: bedName(beds, id), short: bedName(beds, id) }))
})
/** A number as it was typed, with either sign and either point. */
function takeNumber(typed: string): string | null {
  const { low, high, none } = field.value as NumberField
  if (typed === '' && (props.none ?? none) !== undefined) return take(null)
  const v = Number(typed.replace(',', '.').replace('−', '-'))
  if (typed === '' || !Number.isFinite(v)) return `“${typed}” is no number: ${low} to ${high} is allowed.`
  return v < low || v > high ? `Out of range: ${low} to ${high} is allowed.` : take(v)
}
</script>

<template>
  <ChoiceField
    v-if="(field.kind === 'number' || field.kind === 'text') && options"
    :label="label"
    :why="path"
    :value="String(value ?? '')"
    :options="options"
    :hint="hint"
    :set="(v: string) => take(v === '' ? null : field.kind === 'number' ? Number(v) : v)"
  />
  <QuantityField
    v-else-if="field.kind === 'number' && field.quantity !== null"
    :label="label"
    :why="path"
    :quantity="field.quantity"
    :value="number"
    :none="none ?? field.none"
    :clear="(none ?? field.none) ? () => take(null) : undefined"
    :min="min ?? field.low"
    :max="max ?? (field.step === undefined ? field.high : field.usual[1])"
    :slide="field.step"
    :hint="hint"
    :other="other"
    :set="take"
  >
    <FitOffers :path="path" />
  </QuantityField>
  <TypedField
    v-else-if="field.kind === 'number'"
    :label="label"
    :why="path"
    :unit="field.unit"
    :value="value === null ? '' : String(value)"
    :placeholder="none ?? field.none"
    :hint="hint"
    :set="takeNumber"
  />
  <TypedField
    v-else-if="field.kind === 'text'"
    :label="label"
    :why="path"
    :value="String(value ?? '')"
    :hint="hint"
    :set="take"
  />
  <ChoiceField
    v-else-if="field.kind === 'choice'"
    :label="label"
    :why="path"
    :value="value as string"
    :options="options ?? field.choices"
    :hint="hint"
    :set="take"
  />
  <SomeField
    v-else-if="some"
    :label="label"
    :why="path"
    :options="some"
    :value="value as number[]"
    :hint="hint"
    :set="(v: number[]) => take(v)"
  />
  <SwitchField v-else-if="field.kind === 'flag'" :label="label" :why="path" :value="value as boolean" :set="take" />
</template>
