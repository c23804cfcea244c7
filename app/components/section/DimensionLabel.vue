<script setup lang="ts">
import { formatQuantity, parseRetyped, type Quantity } from '../../../core/units'

const props = defineProps<{
  name: string
  label: string
  quantity: Quantity
  value: number
  min: number
  max: number
  x: number
  y: number
  set: (value: number) => string | null
}>()

const settings = useSettings()
const editing = ref(false)
const typed = ref('')
const fault = ref('')
const field = ref<HTMLInputElement | null>(null)
const button = ref<HTMLButtonElement | null>(null)
const shown = computed(() => formatQuantity(props.value, props.quantity, settings.units))

async function begin(): Promise<void> {
  typed.value = shown.value
  fault.value = ''
  editing.value = true
  await nextTick()
  field.value?.select()
}

async function commit(): Promise<void> {
  if (!editing.value) return
  if (typed.value === shown.value) return end()
  const parsed = parseRetyped(typed.value, props.quantity, settings.units, props.value)
  if (parsed.ok && parsed.unchanged) return end()
  const range =
    `${formatQuantity(props.min, props.quantity, settings.units)} to ` +
    `${formatQuantity(props.max, props.quantity, settings.units)}`
  if (!parsed.ok) fault.value = `${parsed.message}.`
  else if (parsed.value < props.min - 1e-9 || parsed.value > props.max + 1e-9)
    fault.value = `Out of range: ${range} is allowed.`
  else fault.value = props.set(parsed.value) ?? ''
  if (fault.value === '') await end()
}

async function end(): Promise<void> {
  editing.value = false
  fault.value = ''
  await nextTick()
  button.value?.focus({ preventScroll: true })
}
</script>

<template>
  <div class="dim" :class="editing ? 'z-20' : 'z-10'" :style="{ left: `${x}px`, top: `${y}px` }">
    <button
      v-if="!editing"
      ref="button"
      class="chip"
      :data-test="`dim-${name}`"
      :aria-label="`${label}: ${shown}. Change it`"
      @click="begin"
    >
      {{ shown }}
    </button>
    <template v-else>
      <input
        ref="field"
        v-model="typed"
        class="input !w-28 text-center font-semibold"
        :aria-label="label"
        :aria-invalid="fault !== ''"
        :data-test="`dim-${name}-input`"
        @keydown.enter.prevent="commit"
        @keydown.escape.prevent="end"
        @blur="commit"
      />
      <p v-if="fault" class="fault mt-1 w-56 rounded border border-clay bg-paper p-1" role="alert">
        {{ fault }}
      </p>
    </template>
  </div>
</template>

<style scoped>
.dim {
  position: absolute;
  transform: translate(-50%, -50%);
}
.chip {
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0 7px;
  font-size: 14px;
  font-weight: 600;
  white-space: nowrap;
  cursor: text;
}
.chip:hover {
  border-color: var(--ink);
}
</style>
