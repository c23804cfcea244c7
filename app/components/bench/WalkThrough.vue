<script setup lang="ts">
import { DEMOS } from '../../../core/design'
import { PATH } from '~/walk/path'
import { STOPS } from '~/walk/stops'

/**
 * The walk through the demo, by doing: one stop at a time, over the year's ribbon, so that it covers neither drawing
 * nor score. What is to be taken hold of is ringed.
 */
const emit = defineEmits<{ go: [step: string] }>()
const walk = useWalk()
const bench = useDesign()
const keeping = useKeeping()
const ladder = useLadder()
const sheets = useSheets()
const before = shallowRef(bench.current)
const uncovered = ref(false)
const heading = ref<HTMLElement | null>(null)
/** What the stop says; null at the end of the walk. */
const stop = computed(() => (walk.stop ? STOPS[walk.stop] : null))

watch(
  () => bench.current.skin.cover.id,
  id => {
    if (id === 'none') uncovered.value = true
  },
)
const done = computed(
  () =>
    stop.value?.done?.({
      before: before.value,
      now: bench.current,
      uncovered: uncovered.value,
      rungs: ladder.rungs.length,
      starting: sheets.start,
    }) ?? null,
)

/** Takes somebody to where a stop is, and reads it out. */
async function arrive(): Promise<void> {
  const to = stop.value
  if (!to) return
  if (bench.current.id !== DEMOS[0]!.id) await keeping.openDesign(DEMOS[0]!.id)
  before.value = bench.current
  uncovered.value = false
  emit('go', to.step)
  await nextTick()
  heading.value?.focus()
  if (!to.tab) return
  // The step's panel may still be on its way.
  for (let tries = 0; tries < 40; tries++) {
    const tab = document.querySelector<HTMLElement>(`[data-test="${to.tab}"]`)
    if (tab) return tab.click()
    await new Promise(resolve => setTimeout(resolve, 50))
  }
}
onMounted(arrive)
watch(() => walk.at, arrive)
// Starting one's own is the end of the walk.
watch(done, is => {
  if (is && walk.stop === 'yours') walk.goTo(PATH.length)
})
const ring = computed(() => `${stop.value?.target} { outline: 4px solid var(--clay) !important; outline-offset: 3px; }`)
</script>

<template>
  <section v-if="stop" class="walk" aria-labelledby="walk-title" data-test="walk">
    <component :is="'style'">{{ ring }}</component>
    <div class="min-w-0">
      <h2 id="walk-title" ref="heading" tabindex="-1" class="slab text-lg" data-test="walk-title">
        <span class="text-clay">{{ walk.at + 1 }} of {{ PATH.length }}</span> {{ stop.title }}
      </h2>
      <p>
        {{ stop.text }} <span class="hint">{{ stop.keys }}</span>
      </p>
      <p role="status" class="text-moss" data-test="walk-seen">{{ done ? stop.seen : '' }}</p>
    </div>
    <div class="flex flex-none flex-wrap items-center justify-end gap-1.5">
      <button v-if="walk.at > 0" class="button quiet" data-test="walk-back" @click="walk.goTo(walk.at - 1)">
        Back
      </button>
      <button class="button quiet" data-test="walk-leave" @click="walk.open = false">Leave it for now</button>
      <button class="button" :class="{ ready: done !== false }" data-test="walk-next" @click="walk.goTo(walk.at + 1)">
        {{ done === false ? 'Skip' : walk.at === PATH.length - 1 ? 'End' : 'Next' }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.walk {
  position: fixed;
  z-index: 45;
  left: 0;
  right: 0;
  bottom: 0;
  min-height: 112px;
  display: flex;
  align-items: center;
  gap: 1.5rem;
  padding: 0.5rem 1.2rem;
  background: var(--paper);
  border-top: 4px solid var(--clay);
}
.walk > :first-child {
  flex: 1;
}
.ready {
  background: var(--choice);
  color: var(--choice-ink);
  font-weight: 600;
}
h2:focus {
  outline: none;
}
@media (max-width: 900px) {
  .walk {
    flex-direction: column;
    align-items: stretch;
    gap: 0.3rem;
    padding: 0.4rem 0.8rem;
    font-size: 0.95rem;
  }
}
</style>
