<script setup lang="ts">
import { isTimeZone } from '../../../core/climate/time-zone'
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { CLIMATE_TYPES, climateMonths, MATERIALS } from '../../../core/catalog'
import {
  distanceKm,
  hottestMonth,
  looksTurned,
  MONTH_NAMES,
  monthlyNormals,
  standardOffsetH,
  turnedByHalfYear,
} from '../../../core/climate'
import { timeZoneOf } from '../../../core/climate/zone-of-place'
import { type HourlyClimate, type NormalsClimate } from '../../../core/design'
import { type Patch } from '../../../core/editing'
import { CLIMATE_FIGURES } from '../../../core/study/climate-figures'
import { FAR_KM } from '../../../core/advice/cautions'
import type { Coordinates } from '../../../formats/coordinates'
import { parseClimateTable } from '../../../formats/climate-table'
import { readCsvTable, type CsvTable } from '../../../formats/weather-csv'
import { addYears } from '~/keeping/weather-files'

const bench = useDesign()
const settings = useSettings()
const notices = useNotices()
const files = useDesignFiles()
const site = computed(() => bench.current.site)
const soils = MATERIALS.filter(m => m.group === 'ground')
const filePicker = ref<HTMLInputElement | null>(null)
const pasted = ref('')
const pasteFault = ref('')
const placeId = useId()
const zoneId = useId()
const zoneFault = ref('')

/** The climate with the place that it is of, once the site moves away from under it. */
function climateLeftBehind(): Patch[] {
  const { climate, place, latitudeDeg, longitudeDeg } = site.value
  return climate.at ? [] : [['site.climate', { ...climate, at: { place, latitudeDeg, longitudeDeg } }]]
}

/** A new place brings its time zone with it. */
function setPlace(path: 'site.latitudeDeg' | 'site.longitudeDeg', value: number): string | null {
  const next = { latitudeDeg: site.value.latitudeDeg, longitudeDeg: site.value.longitudeDeg, [path.slice(5)]: value }
  return bench.edit(
    [...climateLeftBehind(), [path, value], ['site.timeZone', timeZoneOf(next.latitudeDeg, next.longitudeDeg)]],
    path,
  )
}

/** A place from the search, from coordinates or from the map, with its time zone. */
function moveTo({ latitudeDeg, longitudeDeg }: Coordinates, name: string | null): void {
  const refused = bench.edit(
    [
      ...climateLeftBehind(),
      ['site.latitudeDeg', latitudeDeg],
      ['site.longitudeDeg', longitudeDeg],
      ['site.timeZone', timeZoneOf(latitudeDeg, longitudeDeg)],
      ...(name ? [['site.place', name.slice(0, 120)] as const] : []),
    ],
    'move',
  )
  if (refused) notices.tell('error', 'The place was not taken; nothing has changed.', { lines: [refused] })
}

/** Another climate, of the place where the site is now. */
function setClimate(climate: NormalsClimate | HourlyClimate, kind: string): string | null {
  const here = { ...climate }
  delete here.at
  return bench.edit([['site.climate', here]], kind)
}
function monthsAreMine(): void {
  const own = { ...(site.value.climate as NormalsClimate) }
  delete own.illustrative
  setClimate(own, 'own months')
}
const climateIsMeant = () => setClimate(site.value.climate, 'climate is meant')

/**
 * A climate from far away, and months that look like the other hemisphere's, are asked about for as long as they stand
 * so.
 */
const far = computed(() => {
  const { at } = site.value.climate
  const km = at ? distanceKm(at, site.value) : 0
  return at && km > FAR_KM ? { place: at.place, km } : null
})
const turnedMonths = computed(() => {
  const { climate, latitudeDeg } = site.value
  return climate.kind === 'normals' && looksTurned(climate.highC, latitudeDeg)
    ? MONTH_NAMES[hottestMonth(climate.highC)]!
    : null
})
const turn = () => bench.edit([['site.climate', turnedByHalfYear(site.value.climate as NormalsClimate)]], 'half a year')

/** An illustrative climate to begin with. What was typed before comes back with undo. */
function begin(event: Event): void {
  const select = event.target as HTMLSelectElement
  const type = CLIMATE_TYPES.find(c => c.id === select.value)
  select.value = ''
  if (!type) return
  setClimate(
    { kind: 'normals', illustrative: type.name, ...climateMonths(type, site.value.latitudeDeg) },
    'climate type',
  )
  notices.tell(
    'info',
    `${type.name}: an illustration to begin with, not your place. Put your own monthly figures in its ` +
      `place when you have them: its sunshine and snow stand in the rows below.`,
  )
}

const csv = shallowRef<{ table: CsvTable; name: string } | null>(null)
const csvPicker = ref<HTMLInputElement | null>(null)
async function openCsv(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  const table = readCsvTable(await file.text())
  input.value = ''
  if (table.ok) csv.value = { table: table.table, name: file.name }
  else notices.tell('error', `${file.name} was not taken; nothing has changed.`, { lines: [table.message] })
}
const csvSite = computed(() => ({
  latitudeDeg: site.value.latitudeDeg,
  longitudeDeg: site.value.longitudeDeg,
  elevationM: site.value.elevationM,
  standardOffsetH: standardOffsetH(site.value.timeZone),
}))
function takeCsv(climate: HourlyClimate): void {
  const name = csv.value?.name ?? 'the table'
  csv.value = null
  if (adding.value) {
    addYears([climate])
    return
  }
  const refused = setClimate(climate, `csv ${name}`)
  if (refused) notices.tell('error', `${name} was not taken; nothing has changed.`, { lines: [refused] })
  else notices.tell('info', `${name}: a year of 8760 hours is in use.`, { lines: climate.notes })
}
const beginId = useId()
const TABS = ['Place and climate', 'The year outside', 'Horizon', 'True north', 'Ground and notes']

function setZone(event: Event): void {
  const typed = (event.target as HTMLInputElement).value
  const refused = isTimeZone(typed.trim()) ? bench.edit([['site.timeZone', typed.trim()]]) : NO_ZONE
  zoneFault.value = refused ? `“${typed.trim()}” is not taken. ${refused}` : ''
  // What is not taken stays as it was typed.
  zoneTyped.value = refused ? typed : null
}
const NO_ZONE = 'No such time zone is known here. Allowed: a name such as Europe/Vienna or America/Denver.'
const zoneTyped = ref<string | null>(null)
function forgetZone(): void {
  zoneTyped.value = null
  zoneFault.value = ''
}
const nameFault = ref('')
function setName(event: Event): void {
  const name = (event.target as HTMLInputElement).value.trim() || 'Place not named yet'
  nameFault.value = bench.edit([['site.place', name]]) ?? ''
}

function usePaste(): void {
  const table = parseClimateTable(pasted.value, settings.units === 'us' ? 'F' : 'C')
  if (!table.ok) {
    pasteFault.value = table.message
    return
  }
  pasteFault.value = setClimate(table.climate, 'paste normals') ?? ''
  if (pasteFault.value !== '') return
  pasted.value = ''
  notices.tell('info', `Taken from the table: ${table.took.join(', ')}.`)
}

/** What is picked comes beside the measured years that are there. */
const adding = ref(false)
function pick(kind: 'epw' | 'csv', beside: boolean): void {
  adding.value = beside
  const picker = kind === 'epw' ? filePicker : csvPicker
  picker.value?.click()
}
async function useFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const [...picked] = input.files ?? []
  input.value = ''
  await files.importWeather(picked, adding.value)
}

function backToNormals(): void {
  const climate = site.value.climate
  if (climate.kind !== 'hourly') return
  const round = (a: number[]) => a.map(v => Math.round(v * 10) / 10)
  const { lowC, highC } = monthlyNormals(climate.dryBulbC)
  bench.edit([['site.climate', { kind: 'normals', lowC: round(lowC), highC: round(highC) }]], 'normals from file')
}
</script>

<template>
  <TabGroup as="div">
    <TabList class="tabs" aria-label="Parts of the site">
      <Tab v-for="name in TABS" :key="name" v-slot="{ selected }" as="template">
        <button :class="{ on: selected }" :data-test="`tab-${name.split(' ').at(-1)}`">
          {{ name }}
        </button>
      </Tab>
    </TabList>
    <TabPanels>
      <TabPanel :unmount="false">
        <div class="step-grid site-grid">
          <div>
            <h2 class="group-title">Where</h2>
            <label :for="placeId">Place</label>
            <input :id="placeId" class="input mb-1" :value="site.place" maxlength="120" @change="setName" />
            <p v-if="nameFault" class="fault" role="alert">{{ nameFault }}</p>
            <PlaceFinder :here="site" @place="moveTo" />
            <div class="grid grid-cols-2 gap-x-3">
              <DesignField path="site.latitudeDeg" :set="(v: number) => setPlace('site.latitudeDeg', v)" />
              <DesignField path="site.longitudeDeg" :set="(v: number) => setPlace('site.longitudeDeg', v)" />
              <DesignField path="site.elevationM" />
              <div class="min-w-0">
                <label :for="zoneId">Time zone</label>
                <input
                  :id="zoneId"
                  class="input"
                  :value="zoneTyped ?? site.timeZone"
                  :aria-invalid="zoneFault !== ''"
                  data-test="time-zone"
                  @keydown.escape="forgetZone"
                  spellcheck="false"
                  @change="setZone"
                />
                <p :class="zoneFault ? 'fault' : 'hint'">
                  {{ zoneFault || 'found from the place' }}
                </p>
              </div>
            </div>
            <DesignField path="site.soil" label="Ground" :options="soils" />
          </div>
          <div class="col-span-2 min-w-0">
            <h2 class="group-title">Climate</h2>
            <div class="mb-1.5 flex flex-wrap items-end gap-2">
              <div>
                <label :for="beginId" class="mr-2">Begin with an illustrative climate</label>
                <select :id="beginId" class="input !w-72" data-test="climate-type" @change="begin">
                  <option value="">choose one to start from …</option>
                  <option v-for="c in CLIMATE_TYPES" :key="c.id" :value="c.id">
                    {{ c.name }}
                  </option>
                </select>
              </div>
              <button class="button" data-test="load-epw" @click="pick('epw', false)">Load an EPW file</button>
              <button class="button" data-test="load-csv" @click="pick('csv', false)">Load hourly CSV</button>
              <input
                ref="filePicker"
                type="file"
                accept=".epw,text/plain"
                multiple
                class="hidden"
                data-test="epw-file"
                @change="useFile"
              />
              <input
                ref="csvPicker"
                type="file"
                accept=".csv,.txt,.tsv,text/csv,text/plain"
                class="hidden"
                data-test="csv-file"
                @change="openCsv"
              />
            </div>
            <p v-if="far" class="ask" data-test="far-climate">
              This is still the climate of {{ far.place }}, {{ Math.round(far.km) }} km away.
              <button class="button" data-test="climate-meant" @click="climateIsMeant">It is meant</button>
            </p>
            <p v-if="turnedMonths" class="ask" data-test="turned-months">
              The hottest month is {{ turnedMonths }}, yet the place lies
              {{ site.latitudeDeg >= 0 ? 'north' : 'south' }} of the equator.
              <button class="button" @click="turn">Move the months by half a year</button>
            </p>
            <template v-if="site.climate.kind === 'normals'">
              <p class="hint mb-1">
                Monthly means: what is not given is <strong>estimated</strong>. Days are made from them.
              </p>
              <p v-if="site.climate.illustrative" class="ask" data-test="illustrative">
                <strong>An illustration:</strong> “{{ site.climate.illustrative }}”, not your place. Put your own months
                in its place when you have them.
                <button class="button" data-test="months-are-mine" @click="monthsAreMine">These are mine now</button>
              </p>
              <ClimateTable />
              <details class="mt-2" data-test="better-figures">
                <summary class="cursor-pointer">What would one better figure change?</summary>
                <p class="hint">
                  What is estimated, at both ends of what is plausible: the longest bar is the figure to look for.
                </p>
                <DoubtBars :unknowns="CLIMATE_FIGURES" ask="Run each at both ends" test="better" />
              </details>
              <details class="mt-2">
                <summary class="cursor-pointer">Paste a table from a web page or a spreadsheet</summary>
                <textarea
                  v-model="pasted"
                  class="input mt-1 h-20 font-mono text-sm"
                  aria-label="Monthly lows and highs, pasted"
                  data-test="paste"
                  placeholder="A climate table in any layout: months along or down, °C or °F, with sunshine, wind and records if it has them"
                />
                <p v-if="pasteFault" class="fault" role="alert" data-test="paste-fault">
                  {{ pasteFault }}
                </p>
                <button class="button mt-1" data-test="use-paste" @click="usePaste">Use these</button>
              </details>
              <div class="mt-2 flex max-w-lg gap-x-4">
                <DesignField path="site.seed" />
                <DesignField path="site.months" />
              </div>
            </template>
            <template v-else>
              <p>
                An hourly year from <strong>{{ site.climate.source }}</strong> is in use.
              </p>
              <ul class="hint list-disc pl-5">
                <li v-for="note in site.climate.notes" :key="note">
                  {{ note }}
                </li>
              </ul>
              <MeasuredYears :climate="site.climate" @add="kind => pick(kind, true)" />
              <button class="button mt-2" @click="backToNormals">Use its monthly means instead</button>
            </template>
          </div>
        </div>
      </TabPanel>
      <TabPanel class="panel">
        <SiteCharts />
      </TabPanel>
      <TabPanel class="panel">
        <HorizonEditor />
      </TabPanel>
      <TabPanel class="panel">
        <NorthSheet />
      </TabPanel>
      <TabPanel class="panel">
        <SurveyNotes />
      </TabPanel>
    </TabPanels>
    <CsvDialog
      :table="csv?.table ?? null"
      :file-name="csv?.name ?? ''"
      :site="csvSite"
      @close="csv = null"
      @take="takeCsv"
    />
  </TabGroup>
</template>

<style scoped>
.panel {
  padding: 0.7rem 1.1rem;
}
.ask {
  background: var(--warn);
  border-left: 4px solid var(--clay);
  padding: 0.3rem 0.6rem;
  margin-bottom: 0.4rem;
}
@media (min-width: 901px) {
  .step-grid.site-grid {
    grid-template-columns: minmax(0, 0.85fr) minmax(0, 1.25fr) minmax(0, 1.25fr) !important;
    column-gap: 1rem;
  }
}
</style>
