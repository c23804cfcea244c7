<script setup lang="ts">
import type { StudyKind } from '~/stores/studies'

/** Starts, shows the progress of, and ends one study. */
const props = defineProps<{ kind: StudyKind; ask: string; which?: number }>()
const studies = useStudies()
const study = computed(() => studies.all[props.kind])
</script>

<template>
  <div
    class="my-1 flex min-h-8 flex-wrap items-center gap-2"
    :data-test="`study-${kind}`"
    :data-running="study.running"
    :data-done="study.done"
  >
    <template v-if="study.running">
      <progress
        class="h-2 w-32"
        :value="study.done"
        :max="Math.max(1, study.total)"
        :aria-label="`${ask}: ${study.done} of ${study.total} years`"
      />
      <span class="hint" role="status">{{ study.done }} of {{ study.total }} years</span>
      <button class="button" :data-test="`cancel-${kind}`" @click="studies.cancel(kind)">Stop</button>
    </template>
    <template v-else>
      <button v-uses-fields class="button" :data-test="`start-${kind}`" @click="studies.start(kind, which)">
        {{ study.points.length > 0 ? 'Work it out again' : ask }}
      </button>
      <RunAsChoice v-if="!studies.runsItself(kind)" />
      <span v-if="study.failure" class="fault" role="alert">{{ study.failure }}</span>
      <span v-else-if="studies.stale[kind]" class="hint">The design, or how it is run, has changed since.</span>
      <span v-else-if="study.done < study.total" class="hint"
        >Stopped after {{ study.done }} of {{ study.total }} years.</span
      >
    </template>
  </div>
</template>
