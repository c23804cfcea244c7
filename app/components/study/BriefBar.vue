<script setup lang="ts">
/** Starts, shows the progress of, and ends years that are set beside the design. */
defineProps<{
  ask: string
  test: string
  state: { running: boolean; done: number; total: number; failure: string }
  stale: boolean
  ready: boolean
  /** The house is run as it stands, and not otherwise. */
  asItStands?: boolean
}>()
const emit = defineEmits<{ start: []; cancel: [] }>()
</script>

<template>
  <div class="my-1 flex min-h-8 flex-wrap items-center gap-2" :data-running="state.running">
    <template v-if="state.running">
      <progress
        class="h-2 w-24"
        :value="state.done"
        :max="state.total"
        :aria-label="`${ask}: ${state.done} of ${state.total} years`"
      />
      <button class="button" :data-test="`stop-${test}`" @click="emit('cancel')">Stop</button>
    </template>
    <button v-else v-uses-fields class="button" :data-test="`start-${test}`" @click="emit('start')">
      {{ ready ? 'Work it out again' : ask }}
    </button>
    <RunAsChoice v-if="!state.running && !asItStands" />
    <span v-if="state.failure" class="fault" role="alert">{{ state.failure }}</span>
    <span v-else-if="stale && ready" class="hint">The design, or how it is run, has changed since.</span>
  </div>
</template>
