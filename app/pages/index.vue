<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ChevronDown, ChevronUp } from 'lucide-vue-next'
import { LATER, loadLater, sparesData } from '~/parts'
import { stepOf, STEPS } from '~/steps/registry'

const route = useRoute()
const router = useRouter()
const bench = useDesign()
const keeping = useKeeping()
const year = useYear()
const settings = useSettings()
const drawing = useDrawing()
const files = useDesignFiles()
const help = ref(false)
const renaming = ref(false)
const nameTyped = ref('')
const dragOver = ref(false)
const ready = ref(false)
const atHand = ref(false)

/** The step stands in the address, so that back and forward go through the steps. */
const current = computed(() => stepOf(route.query.step) ?? stepOf('shape')!)
const step = computed(() => current.value.id)
const PANELS = Object.fromEntries(STEPS.map(s => [s.id, defineAsyncComponent(s.panel)]))
const PrintSheet = defineAsyncComponent(LATER.PrintSheet)

/** A whole number of the address within its limits; null where it has none. */
function asked(key: 'day' | 'hour', below: number): number | null {
  const v = Number(route.query[key])
  return route.query[key] !== undefined && Number.isInteger(v) && v >= 0 && v < below ? v : null
}
function takeDay(): void {
  year.day = asked('day', 365)
  if (year.day !== null) year.hour = asked('hour', 24) ?? 12
}

// Begun by a plugin on the first page; on coming back from the list the year is asked for anew.
const opened =
  keeping.state === 'opening'
    ? keeping.start(typeof route.query.d === 'string' ? route.query.d : null)
    : Promise.resolve(year.request(bench.current))
onMounted(async () => {
  await opened
  takeDay()
  ready.value = true
  // The drawing and the score first; the controls then, or after a while.
  setTimeout(showControls, PATIENCE_MS)
})
const PATIENCE_MS = 1500
const showControls = () => {
  // For whoever measures what is fetched for the first score.
  if (!atHand.value) performance.mark('controls')
  atHand.value = true
}

/** Something is held with the pointer: the design may change with every move until it is let go. */
let held = false
const letGo = () => {
  held = false
  if (ready.value) year.request(bench.current)
}
useEventListener('pointerdown', () => (held = true), { capture: true })
useEventListener(['pointerup', 'pointercancel'], letGo, { capture: true })
watch(
  () => bench.current,
  design => {
    if (ready.value) year.request(design, held)
  },
)
// What is not seen yet is loaded once the first year is there.
watch(
  () => year.view !== null && ready.value,
  async () => {
    // The score is painted before anything else is asked for.
    await nextTick()
    await new Promise(resolve => requestAnimationFrame(resolve))
    showControls()
    void useBackup().remind()
    const { useKept } = await import('~/stores/kept')
    useKept().look()
    if (!sparesData()) await loadLater()
  },
  { once: true },
)
/** The address says where one is, so that a reload comes back to it. */
const address = (to: string) => ({
  d: bench.current.id,
  step: to,
  ...(year.day === null ? {} : { day: String(year.day), hour: String(year.hour) }),
})
/** On the way to another step, whose address says the rest as well. */
let going = false
watch([() => bench.current.id, () => year.day, () => year.hour, ready], () => {
  if (ready.value && !going) void router.replace({ query: address(step.value) })
})
// Back and forward bring back the design and the day as well.
watch(
  () => route.query,
  async query => {
    if (!ready.value || route.path !== '/') return
    if (typeof query.d === 'string' && query.d !== bench.current.id) await keeping.openDesign(query.d)
    if (asked('day', 365) !== year.day || (year.day !== null && asked('hour', 24) !== year.hour)) takeDay()
  },
)

/** The later steps take the whole middle; the drawing is a thumbnail until one press brings it back. */
const brought = ref(false)
const wantsWhole = computed(() => current.value.whole?.(year.day) === true)
const whole = computed(() => wantsWhole.value && !brought.value)
watch(step, () => (brought.value = false))

const controls = ref<HTMLElement | null>(null)
function go(to: string): void {
  const next = stepOf(to)
  if (!next || next === current.value) return
  going = true
  void router.push({ query: address(next.id) }).finally(() => {
    going = false
  })
  // Each step begins at its top, and with no refusal of another.
  bench.forgive()
  if (controls.value) controls.value.scrollTop = 0
}
// What is pressed on a drawing has its card in a step.
const CARDS: Record<string, string> = { body: 'store', bed: 'shape', bench: 'shape', part: 'skin', opening: 'breathe' }
watch(
  () => drawing.pressed,
  thing => {
    if (thing && CARDS[thing.kind]) go(CARDS[thing.kind]!)
  },
)
function chooseDay(day: number): void {
  if (year.day === null) year.hour = 12
  year.day = day
  go('year')
}
const sheets = useSheets()
const { plain: beginPlain } = useNewDesign()
async function plain(): Promise<void> {
  await beginPlain()
  go('site')
}
const walk = useWalk()
const WalkThrough = defineAsyncComponent(LATER.WalkThrough)
const WordsSheet = defineAsyncComponent(LATER.WordsSheet)
const StartSheet = defineAsyncComponent(LATER.StartSheet)
function beginRename(): void {
  nameTyped.value = bench.current.name
  renaming.value = true
}
async function rename(): Promise<void> {
  const name = nameTyped.value.trim().slice(0, 120)
  renaming.value = false
  if (name) await keeping.rename(bench.current.id, name)
}

function togglePin(): void {
  void year.pin(year.pinned === bench.current ? null : bench.current)
}
const UNIT_ORDER = ['metric', 'us', 'mixed'] as const

function key(event: KeyboardEvent): void {
  if (help.value || renaming.value || sheets.start || sheets.words) return
  if (event.key === 'F1') {
    sheets.explainHere(event.target)
    event.preventDefault()
    return
  }
  const typing =
    event.target instanceof HTMLElement &&
    (event.target.matches('input:not([type=range]), textarea, select') || event.target.isContentEditable)
  const letter = event.key.toLowerCase()
  if (event.ctrlKey || event.metaKey) {
    if (letter === 's') files.exportDesign(bench.current)
    else if (letter === 'o') files.chooseFile()
    else if (typing) return
    else if (letter === 'z' && event.shiftKey) bench.redo()
    else if (letter === 'y') bench.redo()
    else if (letter === 'z') bench.undo()
    else return
    event.preventDefault()
    return
  }
  if (typing || event.altKey) return
  if (event.key === '?') help.value = true
  else if (letter === 'w') sheets.explainHere(null)
  else if (letter === 'p') togglePin()
  else if (letter === 'd') year.day = null
  else if (letter === 'n') settings.theme = settings.theme === 'day' ? 'night' : 'day'
  else if (letter === 'u') settings.units = UNIT_ORDER[(UNIT_ORDER.indexOf(settings.units) + 1) % 3]!
  else if (/^[1-9]$/.test(event.key) && STEPS[Number(event.key) - 1]) go(STEPS[Number(event.key) - 1]!.id)
  else return
  event.preventDefault()
}
/** The sheet for paper is made when it is asked for, so that it costs no drag a frame. */
const printing = ref(false)
const toPaper = () => {
  printing.value = true
}
const fromPaper = () => {
  printing.value = false
}
useEventListener('keydown', key)
useEventListener('beforeprint', toPaper)
useEventListener('afterprint', fromPaper)

/** Text dragged about on the page is no file. */
const carriesFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false
async function drop(event: DragEvent): Promise<void> {
  dragOver.value = false
  const file = event.dataTransfer?.files[0]
  if (file) await files.importFile(file)
}
</script>

<template>
  <div>
    <div
      class="bench"
      @dragover.prevent="dragOver = carriesFiles($event)"
      @dragleave.self="dragOver = false"
      @drop.prevent="drop"
    >
      <div class="top">
        <BenchHeader
          @help="help = true"
          @plain="plain"
          @rename="beginRename"
          @export-design="files.exportDesign(bench.current)"
          @import-design="files.chooseFile()"
        />
        <ConflictBar />
      </div>
      <PathOfWork class="path" :step="step" @go="go" />
      <main class="work" :class="{ whole }">
        <h1 class="sr-only">
          {{ bench.current.name }}
        </h1>
        <div class="drawing" :inert="whole">
          <DrawingArea v-if="ready" :step="step" />
        </div>
        <button v-if="whole" class="thumb" data-test="show-drawing" @click="brought = true">
          <span class="sr-only">Show the drawing</span>
        </button>
        <button v-else-if="wantsWhole" class="button back" data-test="hide-drawing" @click="brought = false">
          The whole panel
        </button>
        <button
          v-if="!whole"
          class="room"
          :aria-pressed="drawing.roomy"
          :title="drawing.roomy ? 'Give the drawing its room back' : 'More room for the controls'"
          data-test="more-room"
          @click="drawing.roomy = !drawing.roomy"
        >
          <ChevronDown v-if="drawing.roomy" :size="16" aria-hidden="true" /><ChevronUp
            v-else
            :size="16"
            aria-hidden="true"
          />
          <span class="sr-only">More room for the controls</span>
        </button>
        <div
          ref="controls"
          class="controls"
          :class="{ roomy: current.roomy, large: drawing.roomy }"
          tabindex="0"
          role="region"
          :aria-label="`Controls of the step ${current.name}`"
          :data-test="`panel-${step}`"
        >
          <component :is="PANELS[step]" v-if="atHand" :key="`${step}-${bench.current.id}`" />
        </div>
      </main>
      <ScorePanel class="score" :step="step" @go="go" />
      <YearRibbon class="year" @day="chooseDay" />
      <ShortcutsDialog :open="help" @close="help = false" />
      <NameDialog v-model="nameTyped" :open="renaming" @close="renaming = false" @take="rename" />
      <StartSheet v-if="sheets.start" @made="go('shape')" />
      <WalkThrough v-if="walk.open && ready" @go="go" />
      <WordsSheet v-if="sheets.words" />
      <NoticeList :low="whole" />
      <div
        v-if="dragOver"
        class="pointer-events-none fixed inset-3 z-40 flex items-center justify-center border-4 border-dashed border-clay bg-paper/80 text-2xl"
      >
        Drop a design, or an EPW weather file
      </div>
    </div>
    <PrintSheet v-if="ready && printing" />
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  height: 100dvh;
  min-height: 640px;
  overflow: clip;
  grid-template: auto minmax(0, 1fr) 112px / 176px minmax(0, 1fr) 288px;
  grid-template-areas: 'top top top' 'path work score' 'year year year';
}
.top {
  grid-area: top;
}
.path {
  grid-area: path;
  border-right: 1px solid var(--ink);
  overflow-y: auto;
  padding: 0.4rem 0;
}
.work {
  grid-area: work;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  min-width: 0;
}
.drawing {
  grid-row: 1;
  grid-column: 1;
  min-height: 0;
  position: relative;
}
.controls {
  grid-row: 2;
  border-top: 1px solid var(--ink);
  height: 15rem;
  overflow-y: auto;
}
.controls.roomy {
  height: 20rem;
}
.controls.large {
  height: min(23rem, 50dvh);
}
.whole {
  position: relative;
  grid-template-rows: minmax(0, 1fr);
}
.whole .controls {
  grid-row: 1;
  height: auto;
  border-top: 0;
}
.whole .controls :deep(.tabs) {
  padding: 22px 96px 0 1.1rem;
}
.whole .drawing,
.thumb {
  position: absolute;
  right: 10px;
  top: 4px;
  z-index: 8;
}
/* Drawn as large as ever, and shown small. */
.whole .drawing {
  width: 640px;
  height: 400px;
  transform: scale(0.115);
  transform-origin: top right;
  outline: 8px solid var(--line);
  overflow: hidden;
}
.thumb {
  width: 74px;
  height: 46px;
  cursor: pointer;
  border: 1px solid var(--ink);
  border-radius: 3px;
}
.back {
  grid-row: 1;
  grid-column: 1;
  align-self: start;
  justify-self: center;
  margin-top: 8px;
  z-index: 6;
}
.room {
  grid-row: 1;
  grid-column: 1;
  align-self: end;
  justify-self: end;
  margin-right: 5.5rem;
  z-index: 6;
  padding: 1px 12px;
  background: var(--paper);
  border: 1px solid var(--ink);
  border-bottom: 0;
  border-radius: 6px 6px 0 0;
  cursor: pointer;
}
.score {
  grid-area: score;
  border-left: 1px solid var(--ink);
  background: var(--paper);
  overflow-y: auto;
}
.year {
  grid-area: year;
  border-top: 1px solid var(--ink);
}
.controls :deep(.step-grid) {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 0.75rem 1.6rem;
  padding: 0.7rem 1.1rem;
}
@media (max-width: 900px) {
  .bench {
    display: flex;
    flex-direction: column;
    height: auto;
    overflow: visible;
  }
  .path {
    border-right: 0;
    border-bottom: 1px solid var(--ink);
    padding: 0;
    position: sticky;
    top: 0;
    background: var(--lime);
    z-index: 30;
  }
  .work {
    display: contents;
  }
  .score {
    border-left: 0;
    border-top: 1px solid var(--ink);
    order: 3;
    overflow: visible;
  }
  .drawing {
    height: 320px;
    order: 1;
    flex: none;
  }
  .whole .drawing,
  .thumb,
  .back {
    display: none;
  }
  .room {
    display: none;
  }
  .controls,
  .controls.roomy,
  .controls.large {
    height: auto;
    order: 2;
  }
  .year {
    order: 4;
    height: 190px;
  }
  .controls :deep(.step-grid) {
    grid-template-columns: minmax(0, 1fr);
  }
  .controls :deep(.step-grid) > * {
    grid-column: auto;
  }
}
</style>
