<script setup lang="ts">
import { formatQuantity, parseEither, shownUnit, toShown, type OtherReading, type Quantity } from '../../../core/units'

const props = defineProps<{
  label: string
  quantity: Quantity
  value: number | null
  /** Takes the SI value; gives back why not, or null. */
  set: (value: number) => string | null
  min: number
  max: number
  /** Adds a slider with this step, SI. */
  slide?: number
  hint?: string
  /** Path of the document's field that it sets: its why is one press away. */
  why?: string
  /** Where the field may be left empty: what then stands in its place, and how it is emptied. */
  none?: string
  clear?: () => string | null
  /** Another quantity in which it may be typed, with its unit. */
  other?: OtherReading
}>()

const settings = useSettings()
const id = useId()
const typed = ref<string | null>(null)
const fault = ref('')

const shown = computed(() => {
  if (props.value === null) return ''
  const text = formatQuantity(props.value, props.quantity, settings.units)
  return props.quantity === 'count' ? String(Math.round(props.value)) : text
})
const range = computed(
  () =>
    `${formatQuantity(props.min, props.quantity, settings.units)} to ` +
    `${formatQuantity(props.max, props.quantity, settings.units)}`,
)

function commit(): void {
  if (typed.value === null) return
  if (props.clear && typed.value.trim() === '') {
    typed.value = null
    fault.value = props.clear() ?? ''
    return
  }
  const parsed = parseEither(typed.value, props.quantity, settings.units, props.value, props.other)
  if (!parsed.ok) {
    fault.value = `${parsed.message}.`
    return
  }
  // What was not changed is not written.
  if (parsed.unchanged) return cancel()
  const value = props.quantity === 'count' ? Math.round(parsed.value) : parsed.value
  if (value < props.min - 1e-9 || value > props.max + 1e-9) {
    fault.value = `Out of range: ${range.value} is allowed.`
    return
  }
  const refused = props.set(value)
  if (refused) {
    fault.value = `“${typed.value.trim()}” is not taken. ${refused}`
    return
  }
  typed.value = null
  fault.value = ''
}

// What is set elsewhere stands in the place of what was typed.
watch(() => props.value, cancel)
function cancel(): void {
  typed.value = null
  fault.value = ''
}

function nudge(direction: 1 | -1, event: KeyboardEvent): void {
  const from = props.value ?? props.min
  const unit = shownUnit(props.quantity, settings.units)
  const step =
    (props.slide ??
      (props.quantity === 'count'
        ? 1
        : unit.factor * (Math.abs(toShown(from, props.quantity, settings.units)) >= 20 ? 1 : 0.1))) *
    (event.shiftKey ? 5 : 1)
  const next = Math.min(props.max, Math.max(props.min, Math.round((from + direction * step) / step) * step))
  fault.value = props.set(Number(next.toFixed(6))) ?? ''
  typed.value = null
}

function slideTo(event: Event): void {
  fault.value = props.set(Number((event.target as HTMLInputElement).value)) ?? ''
  typed.value = null
}
</script>

<template>
  <div class="min-w-0" :data-why="why" :data-label="label">
    <div class="flex items-baseline justify-between gap-1">
      <label :for="id" class="min-w-0">{{ label }}</label>
      <WhyButton v-if="why" :path="why" :label="label" />
    </div>
    <div class="flex items-center gap-2">
      <input
        v-if="slide"
        type="range"
        :min="min"
        :max="max"
        :step="slide"
        :value="value ?? min"
        :aria-label="`${label}, slider`"
        :aria-valuetext="shown"
        class="min-w-16 flex-1"
        @input="slideTo"
      />
      <input
        :id="id"
        class="input"
        :class="slide ? 'max-w-24' : ''"
        :value="typed ?? shown"
        :placeholder="none"
        :aria-invalid="fault !== ''"
        :aria-describedby="`${id}-note`"
        autocomplete="off"
        spellcheck="false"
        @input="typed = ($event.target as HTMLInputElement).value"
        @change="commit"
        @keydown.enter.prevent="commit"
        @keydown.escape="cancel"
        @keydown.up.prevent="nudge(1, $event)"
        @keydown.down.prevent="nudge(-1, $event)"
      />
    </div>
    <p :id="`${id}-note`" :class="fault ? 'fault' : 'hint'" :role="fault ? 'alert' : undefined">
      {{ fault || hint }}
    </p>
    <slot v-if="fault" />
  </div>
</template>
