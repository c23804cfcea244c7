<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { CLIMATE_TYPES } from '../../../core/catalog'
import type { Design } from '../../../core/design'
import { AGAINST, LENGTHS_M, WIDTHS_M, type Against } from '../../../core/start/choices'
import { firstHouse } from '../../../core/start/house'
import { climateLike } from '../../../core/start/place-climates'
import type { Coordinates } from '../../../formats/coordinates'

/** Four questions on one sheet, and a whole design made of the answers. */
const emit = defineEmits<{ made: [] }>()
focusBack()
const start = useStart()
const sheets = useSheets()
const settings = useSettings()
const knownId = useId()
const likeId = useId()

const KINDS = [
  { id: 'zone', name: 'hardiness zone', example: '6b' },
  { id: 'usual', name: 'coldest of most winters', example: '' },
  { id: 'record', name: 'coldest ever known', example: '' },
] as const
const example = computed(
  () => KINDS.find(k => k.id === start.known.kind)!.example || settings.show(-18, 'temperature', { decimals: 0 }),
)

function placed(coordinates: Coordinates, name: string | null): void {
  start.place = { ...coordinates, name: name ?? '' }
  start.chosen = 0
  start.like = ''
}

/** Each way to stand, drawn as it would be: with a climate of the middle belt while none is known. */
const houses = computed(() => {
  const asked = start.answers()
  const climate = asked?.climate ?? climateLike('inland', null).climate
  const base = {
    place: 'here',
    latitudeDeg: 47,
    longitudeDeg: 10,
    elevationM: 200,
    facingDeg: null,
    ...asked,
    climate,
    timeZone: 'UTC',
    ...start.size,
    lives: start.lives,
    atHand: { ...start.atHand },
  }
  const of = (against: Against): Design | null => {
    try {
      return firstHouse({ ...base, against }, 'drawn', 'drawn')
    } catch {
      return null
    }
  }
  return Object.fromEntries(AGAINST.map(a => [a.id, of(a.id)])) as Record<Against, Design | null>
})
const dome = computed(() => start.against === 'dome')
const shifted = computed(() => {
  const c = start.likely
  if (!c) return ''
  const k = (v: number) => settings.show(Math.abs(v), 'temperatureDifference')
  const by: string[] = []
  if (Math.abs(c.shiftK) >= 0.5) by.push(`${k(c.shiftK)} ${c.shiftK > 0 ? 'warmer' : 'colder'} for its height`)
  if (Math.abs(c.winterShiftK) >= 0.5)
    by.push(`winters ${k(c.winterShiftK)} ${c.winterShiftK > 0 ? 'milder' : 'harder'} for what you know of them`)
  return by.length > 0 ? `Made ${by.join(', and ')}.` : ''
})

const coldestC = computed(() => (start.weather ? Math.min(...start.weather.year.climate.dryBulbC) : 0))
/** The first file that was dropped or chosen. */
const takeFirst = (files: FileList | null | undefined) => {
  if (files?.[0]) void start.takeWeather(files[0])
}

async function make(): Promise<void> {
  if (!(await start.make())) return
  sheets.start = false
  emit('made')
}
function close(): void {
  start.cancel()
  sheets.start = false
}
</script>

<template>
  <Dialog :open="sheets.start" class="relative z-50" @close="close">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 overflow-y-auto p-0 sm:p-4">
      <DialogPanel
        class="sheet mx-auto min-h-full w-full max-w-6xl border border-ink bg-lime"
        data-test="start-sheet"
        @dragover.prevent
        @drop.prevent="takeFirst($event.dataTransfer?.files)"
      >
        <header class="flex items-baseline gap-x-4 border-b border-ink px-5 py-2">
          <DialogTitle class="slab text-2xl">Start yours</DialogTitle>
          <p class="hint">Four questions. Everything can be changed afterwards, and nothing leaves this machine.</p>
          <button class="button quiet ml-auto" aria-label="Close" @click="close">×</button>
        </header>
        <div class="grid gap-x-6 gap-y-4 px-5 py-3 lg:grid-cols-2">
          <section aria-labelledby="start-where">
            <h2 id="start-where" class="question"><span>1</span> Where does it stand?</h2>
            <div class="grid gap-x-4 gap-y-1 sm:grid-cols-2">
              <div class="min-w-0">
                <PlaceFinder :here="start.place" @place="placed" />
                <p v-if="start.place?.name" data-test="start-place">
                  <strong>{{ start.place.name }}</strong>
                </p>
              </div>
              <div class="min-w-0">
                <label :for="likeId">or a climate like</label>
                <select :id="likeId" v-model="start.like" class="input" data-test="start-like">
                  <option value="">the one of the place</option>
                  <option v-for="c in CLIMATE_TYPES" :key="c.id" :value="c.id">{{ c.name }}</option>
                </select>
                <div class="mt-1 grid grid-cols-[1fr_5.2rem] gap-2">
                  <div>
                    <label :for="knownId" class="sr-only">What you know of its winters</label>
                    <select :id="knownId" v-model="start.known.kind" class="input" data-test="known-kind">
                      <option v-for="k in KINDS" :key="k.id" :value="k.id">{{ k.name }}</option>
                    </select>
                  </div>
                  <input
                    v-model="start.known.text"
                    class="input"
                    :placeholder="`e.g. ${example}`"
                    :aria-label="KINDS.find(k => k.id === start.known.kind)!.name"
                    :aria-invalid="start.read?.ok === false"
                    data-test="known-low"
                  />
                </div>
                <p :class="start.read?.ok === false ? 'fault' : 'hint'" data-test="known-note">
                  {{
                    start.read?.ok === false
                      ? `${start.read.message}.`
                      : 'If you know one figure of your winters: it helps more than any other.'
                  }}
                </p>
                <QuantityField
                  label="Height above the sea, if known"
                  quantity="length"
                  :value="start.heightM"
                  :none="start.likely ? `about ${settings.show(start.likely.heightM, 'length', { decimals: 0 })}` : ''"
                  :min="-430"
                  :max="6000"
                  :set="v => ((start.heightM = v), null)"
                  :clear="() => ((start.heightM = null), null)"
                />
              </div>
            </div>
            <details class="mt-1">
              <summary class="cursor-pointer">Your own monthly figures, or a weather file</summary>
              <p class="hint mt-1">
                Drop a weather file (EPW) anywhere on this sheet, or
                <label class="link focus-within:outline-2">
                  choose one<input
                    type="file"
                    accept=".epw"
                    class="sr-only"
                    data-test="start-epw"
                    @change="takeFirst(($event.target as HTMLInputElement).files)" /></label
                >. Or paste a table:
              </p>
              <textarea
                v-model="start.pasted"
                class="input mt-1 h-16 font-mono text-sm"
                aria-label="A climate table, pasted"
                placeholder="A table from a web page or a spreadsheet, in any layout"
                :aria-invalid="start.table?.ok === false"
                data-test="start-paste"
              />
            </details>
            <p v-if="start.weatherFault" class="fault" role="alert" data-test="weather-fault">
              {{ start.weatherFault }}
            </p>
            <p v-if="start.weather" class="text-moss" role="status" data-test="start-weather">
              {{ start.weather.file }} is used: a year of {{ start.weather.year.place || 'a place without a name' }},
              its coldest hour {{ settings.show(coldestC, 'temperature') }}.
              <button class="button quiet" @click="start.weather = null">Leave it out</button>
            </p>
            <p v-else-if="start.table?.ok" class="text-moss" role="status">
              Your own figures are used: {{ start.table.took.join(', ') }}.
            </p>
            <p v-else-if="start.table" class="fault" role="alert">{{ start.table.message }}</p>
            <fieldset v-else-if="start.climates.length > 0" class="mt-1" data-test="climates">
              <legend class="hint">
                Illustrative climates, none of them yours: take the likest.{{
                  start.read?.ok ? ' Red marks the winter that you know.' : ''
                }}
              </legend>
              <div class="grid gap-1.5 sm:grid-cols-3">
                <label
                  v-for="(c, i) in start.climates"
                  :key="c.type.id"
                  class="cursor-pointer rounded border bg-paper p-1 text-sm leading-tight"
                  :class="c === start.likely ? 'border-2 border-clay' : 'border-line'"
                >
                  <ClimateMonths :climate="c.climate" />
                  <input v-model="start.chosen" type="radio" name="climate" :value="i" class="mr-1 accent-(--clay)" />
                  {{ c.type.name }}
                </label>
              </div>
              <p class="hint">{{ shifted }}</p>
            </fieldset>
            <p v-else class="hint mt-2" data-test="no-place">
              Find a place, point to it, or choose a kind of climate: the rest follows from there.
            </p>
          </section>
          <section aria-labelledby="start-size">
            <h2 id="start-size" class="question"><span>2</span> How large, and against what?</h2>
            <div class="mb-1 grid grid-cols-2 gap-3">
              <QuantityField
                v-if="!dome"
                label="Length"
                quantity="length"
                :value="start.size.lengthM"
                :min="LENGTHS_M[0]"
                :max="LENGTHS_M[1]"
                :set="v => ((start.size.lengthM = v), null)"
                :slide="0.1"
              />
              <QuantityField
                :label="dome ? 'Across' : 'Width'"
                quantity="length"
                :value="start.size.widthM"
                :min="dome ? 3.5 : WIDTHS_M[0]"
                :max="WIDTHS_M[1]"
                :set="v => ((start.size.widthM = v), null)"
                :slide="0.1"
              />
            </div>
            <AgainstChoice :value="start.against" :houses="houses" @choose="start.against = $event">
              <FacingChoice v-if="start.against === 'house'" />
            </AgainstChoice>
          </section>
          <section aria-labelledby="start-lives">
            <h2 id="start-lives" class="question"><span>3</span> What is to live in it, and when?</h2>
            <LivesChoice
              :value="start.lives"
              :latitude-deg="start.where?.latitudeDeg ?? 45"
              @choose="start.lives = $event"
            />
          </section>
          <section aria-labelledby="start-has">
            <h2 id="start-has" class="question"><span>4</span> What is there already?</h2>
            <AtHandFields v-model="start.atHand" />
          </section>
        </div>
        <footer class="foot flex flex-wrap items-center gap-3 border-t border-ink bg-lime px-5 py-2">
          <p v-if="start.state.failure" class="fault" role="alert">{{ start.state.failure }}</p>
          <p v-else-if="start.state.running" class="flex flex-1 items-center gap-3" role="status">
            Running its year, and mending it …
            <progress class="h-2 w-48 accent-(--clay)" :value="start.state.share" max="1" aria-label="Done so far" />
          </p>
          <p v-else class="hint flex-1">
            Its year is run, and the house is mended by it: so it begins for your place, not as a pattern.
          </p>
          <button v-if="start.state.running" class="button" @click="start.cancel()">Stop</button>
          <button
            v-else
            v-uses-fields="(words: string) => (start.state.failure = words)"
            class="button primary"
            :disabled="!start.where || !houses[start.against]"
            data-test="make"
            @click="make"
          >
            Make my greenhouse
          </button>
        </footer>
      </DialogPanel>
    </div>
  </Dialog>
</template>

<style scoped>
.question {
  font-family: var(--font-slab);
  font-weight: 600;
  font-size: 1.15rem;
  margin-bottom: 0.3rem;
}
.question span {
  display: inline-block;
  width: 1.5rem;
  color: var(--clay);
}
.foot {
  position: sticky;
  bottom: 0;
}
.primary {
  border-color: var(--ink);
  background: var(--choice);
  color: var(--choice-ink);
  font-weight: 600;
  padding: 0.35rem 1rem;
}
</style>
