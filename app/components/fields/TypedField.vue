<script setup lang="ts">
/** A text, or a number in a unit that is the same for every reader: typed, and taken with Enter or on leaving it. */
const props = defineProps<{
  label: string
  value: string
  /** Takes what was typed; gives back why not, or null. */
  set: (typed: string) => string | null
  unit?: string
  placeholder?: string
  hint?: string
  /** Path of the document's field that it sets: its why is one press away. */
  why?: string
}>()
const id = useId()
const typed = ref<string | null>(null)
const fault = ref('')

function commit(): void {
  if (typed.value === null) return
  if (typed.value.trim() === props.value) return cancel()
  fault.value = props.set(typed.value.trim()) ?? ''
  if (!fault.value) typed.value = null
}
function cancel(): void {
  typed.value = null
  fault.value = ''
}
</script>

<template>
  <div class="min-w-0" :data-why="why" :data-label="label">
    <div class="flex items-baseline justify-between gap-1">
      <label :for="id" class="min-w-0">{{ label }}{{ unit ? `, ${unit}` : '' }}</label>
      <WhyButton v-if="why" :path="why" :label="label" />
    </div>
    <input
      :id="id"
      class="input"
      :value="typed ?? value"
      :placeholder="placeholder"
      :aria-invalid="fault !== ''"
      :aria-describedby="`${id}-note`"
      autocomplete="off"
      @input="typed = ($event.target as HTMLInputElement).value"
      @change="commit"
      @keydown.enter.prevent="commit"
      @keydown.escape="cancel"
    />
    <p :id="`${id}-note`" :class="fault ? 'fault' : 'hint'" :role="fault ? 'alert' : undefined">
      {{ fault || hint }}
    </p>
  </div>
</template>
