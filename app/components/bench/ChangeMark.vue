<script setup lang="ts">
import type { Quantity } from '../../../core/units'

const props = defineProps<{
  now: number
  was: number | null | undefined
  quantity: Quantity
  /** Whether more is good, bad or neither. */
  more: 'good' | 'bad' | 'neutral'
  decimals?: number
}>()
const settings = useSettings()
const change = computed(() => (props.was === null || props.was === undefined ? null : props.now - props.was))
const quantity = computed((): Quantity => (props.quantity === 'temperature' ? 'temperatureDifference' : props.quantity))
const text = computed(() =>
  change.value === null
    ? ''
    : settings.show(change.value, quantity.value, { sign: true, unit: false, decimals: props.decimals }),
)
const nothing = computed(() => /^0[.0]*$/.test(text.value))
const tone = computed(() => {
  if (nothing.value || props.more === 'neutral' || change.value === null) return 'text-soft'
  return change.value > 0 === (props.more === 'good') ? 'text-moss' : 'text-clay'
})
</script>

<template>
  <span
    v-if="change !== null"
    class="font-semibold whitespace-nowrap"
    :class="tone"
    :title="`against the pinned design: ${text}`"
    >{{ nothing ? '±0' : text }}</span
  >
</template>
