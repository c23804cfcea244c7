<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { CLIMATE_TYPES, climateMonths, MATERIALS } from '../../../core/catalog'
import { MONTH_NAMES, monthlyNormals, standardOffsetH, timeZoneOf } from '../../../core/climate'
import { RANGES, type HourlyClimate, type NormalsClimate, type Patch } from '../../../core/design'
import type { Coordinates } from '../../../formats/coordinates'
import { readEpw } from '../../../formats/epw'
import { parseNormalsTable } from '../../../formats/normals-table'
import { readCsvTable, type CsvTable } from '../../../formats/weather-csv'
import { formatNumber, parseNumber, toShown, fromShown } from '../../../core/units'

const bench = useDesign()
const settings = useSettings()
const notices = useNotices()
const site = computed(() => bench.current.site)
const soils = MATERIALS.filter(m => m.group === 'ground')
const filePicker = ref<HTMLInputElement | null>(null)
const pasted = ref('')
const pasteFault = ref('')
const cellFault = ref('')
const placeId = useId()
const zoneId = useId()
const zoneFault = ref('')

/** A new place brings its time zone with it. */
function setPlace(path: 'site.latitudeDeg' | 'site.longitudeDeg', value: number): string | null {
  const next = { latitudeDeg: site.value.latitudeDeg, longitudeDeg: site.value.longitudeDeg, [path.slice(5)]: value }
  const before = site.value.latitudeDeg
  const refused = bench.edit([[path, value], ['site.timeZone', timeZoneOf(next.latitudeDeg, next.longitudeDeg)]], path)
  if (refused === null && before * next.latitudeDeg < 0 && site.value.climate.kind === 'normals') askHemisphere(next.latitudeDeg)
  return refused
}

/** A place from the search, from coordinates or from the map, with its time zone. */
function moveTo({ latitudeDeg, longitudeDeg }: Coordinates, name: string | null): void {
  const before = site.value.latitudeDeg
  const refused = bench.edit([
    ['site.latitudeDeg', latitudeDeg], ['site.longitudeDeg', longitudeDeg], ['site.timeZone', timeZoneOf(latitudeDeg, longitudeDeg)], ...(name ? [['site.place', name.slice(0, 120)] as const] : []),
  ], 'move')
  if (refused) notices.tell('error', 'The place was not taken; nothing has changed.', { lines: [refused] })
  else if (before * latitudeDeg < 0) askHemisphere(latitudeDeg)
}

/** A hottest month in the other hemisphere's summer is asked about, not refused. */
function askHemisphere(latitudeDeg: number): void {
  const climate = site.value.climate
  if (climate.kind !== 'normals') return
  const hottest = climate.highC.indexOf(Math.max(...climate.highC))
  const northern = hottest >= 3 && hottest <= 8
  if (northern === latitudeDeg >= 0 || Math.abs(latitudeDeg) < 20) return
  notices.tell('warning', `The hottest month is ${MONTH_NAMES[hottest]}, yet the place lies ${latitudeDeg >= 0 ? 'north' : 'south'} of the equator. Is that meant?`, {
    seconds: 30,
    action: { label: 'Move the months by half a year', run: () => void bench.edit([['site.climate', turned(climate)]], 'half a year') },
  })
}

/** Every monthly series half a year on. */
function turned(climate: NormalsClimate): NormalsClimate {
  return Object.fromEntries(Object.entries(climate).map(([key, v]) => [key, Array.isArray(v) ? v.map((_, m) => (v as number[])[(m + 6) % 12]!) : v])) as unknown as NormalsClimate
}

/** An illustrative climate to begin with. What was typed before comes back with undo. */
function begin(event: Event): void {
  const select = event.target as HTMLSelectElement
  const type = CLIMATE_TYPES.find(c => c.id === select.value)
  select.value = ''
  if (!type) return
  bench.edit([['site.climate', { kind: 'normals', ...climateMonths(type, site.value.latitudeDeg) }]], 'climate type')
  notices.tell('info', `${type.name}: an illustration to begin with, not your place. Put your own monthly figures in its stead when you have them.`)
}

const csv = shallowRef<{ table: CsvTable, name: string } | null>(null)
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
const csvSite = computed(() => ({ latitudeDeg: site.value.latitudeDeg, longitudeDeg: site.value.longitudeDeg, elevationM: site.value.elevationM, standardOffsetH: standardOffsetH(site.value.timeZone) }))
function takeCsv(climate: HourlyClimate): void {
  const name = csv.value?.name ?? 'the table'
  csv.value = null
  const refused = bench.edit([['site.climate', climate]], `csv ${name}`)
  if (refused) notices.tell('error', `${name} was not taken; nothing has changed.`, { lines: [refused] })
  else notices.tell('info', `${name}: a year of 8760 hours is in use.`, { lines: climate.notes })
}
const beginId = useId()
const TABS = ['Place and climate', 'The year outside', 'Horizon', 'True north', 'Ground and notes']

const set = (path: string) => (v: number) => bench.edit([[path, v]])

function setZone(event: Event): void {
  zoneFault.value = bench.edit([['site.timeZone', (event.target as HTMLInputElement).value.trim()]]) ?? ''
}
function setName(event: Event): void {
  bench.edit([['site.place', (event.target as HTMLInputElement).value.trim() || 'Place not named yet']])
}

const shown = (c: number) => formatNumber(toShown(c, 'temperature', settings.units), 1)

function setMonth(series: 'lowC' | 'highC', m: number, event: Event): void {
  const input = event.target as HTMLInputElement
  const parsed = parseNumber(input.value)
  if (!parsed.ok) {
    cellFault.value = `${MONTH_NAMES[m]}: ${parsed.message}.`
    return
  }
  const value = Math.round(fromShown(parsed.value, 'temperature', settings.units) * 100) / 100
  const refused = bench.edit([[`site.climate.${series}.${m}`, value]])
  cellFault.value = refused ? `${MONTH_NAMES[m]}: ${refused}` : ''
}

function usePaste(): void {
  const table = parseNormalsTable(pasted.value, settings.units === 'us' ? 'F' : 'C')
  if (!table.ok) {
    pasteFault.value = table.message
    return
  }
  pasteFault.value = bench.edit([['site.climate', { kind: 'normals', lowC: table.lowC, highC: table.highC }]], 'paste normals') ?? ''
  if (pasteFault.value === '') {
    pasted.value = ''
    askHemisphere(site.value.latitudeDeg)
  }
}

async function useFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  const bytes = await file.arrayBuffer()
  input.value = ''
  let text = new TextDecoder().decode(bytes)
  if (text.includes('\uFFFD')) text = new TextDecoder('latin1').decode(bytes)
  const read = readEpw(text, file.name)
  if (!read.ok) {
    notices.tell('error', `${file.name} was not taken; nothing has changed.`, { lines: [read.message] })
    return
  }
  const { epw } = read
  const patches: Patch[] = [
    ['site.climate', epw.climate], ['site.place', epw.place.slice(0, 120)], ['site.latitudeDeg', epw.latitudeDeg], ['site.longitudeDeg', epw.longitudeDeg],
    ['site.elevationM', Math.round(epw.elevationM)], ['site.timeZone', timeZoneOf(epw.latitudeDeg, epw.longitudeDeg)],
  ]
  const refused = bench.edit(patches, `epw ${file.name}`)
  if (refused) notices.tell('error', `${file.name} was not taken; nothing has changed.`, { lines: [refused] })
  else notices.tell('info', `${file.name}: a year of 8760 hours is in use.`, { lines: epw.climate.notes })
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
      <h2 class="group-title">
        Where
      </h2>
      <label :for="placeId">Place</label>
      <input :id="placeId" class="input mb-1" :value="site.place" maxlength="120" @change="setName">
      <PlaceFinder :here="site" @place="moveTo" />
      <div class="grid grid-cols-2 gap-x-3">
        <QuantityField
          label="Latitude" quantity="angle" :value="site.latitudeDeg" :min="-90" :max="90" hint="south is negative" :set="v => setPlace('site.latitudeDeg', v)"
        />
        <QuantityField
          label="Longitude" quantity="angle" :value="site.longitudeDeg" :min="-180" :max="180" hint="west is negative" :set="v => setPlace('site.longitudeDeg', v)"
        />
        <QuantityField label="Elevation" quantity="length" :value="site.elevationM" :min="RANGES['site.elevationM'][0]" :max="RANGES['site.elevationM'][1]" :set="set('site.elevationM')" />
        <div class="min-w-0">
          <label :for="zoneId">Time zone</label>
          <input :id="zoneId" class="input" :value="site.timeZone" :aria-invalid="zoneFault !== ''" spellcheck="false" @change="setZone">
          <p :class="zoneFault ? 'fault' : 'hint'">
            {{ zoneFault || 'found from the place' }}
          </p>
        </div>
      </div>
      <ChoiceField label="Ground" :value="site.soil" :options="soils" :set="v => bench.edit([['site.soil', v]])" />
    </div>
    <div class="col-span-2 min-w-0">
      <h2 class="group-title">
        Climate
      </h2>
      <div class="mb-1.5 flex flex-wrap items-end gap-2">
        <div>
          <label :for="beginId">Begin with an illustrative climate</label>
          <select :id="beginId" class="input !w-72" data-test="climate-type" @change="begin">
            <option value="">
              choose one, then bend it …
            </option>
            <option v-for="c in CLIMATE_TYPES" :key="c.id" :value="c.id">
              {{ c.name }}
            </option>
          </select>
        </div>
        <button class="button" data-test="load-epw" @click="filePicker?.click()">
          Load an EPW file
        </button>
        <button class="button" data-test="load-csv" @click="csvPicker?.click()">
          Load hourly CSV
        </button>
        <input ref="filePicker" type="file" accept=".epw,text/plain" class="hidden" data-test="epw-file" @change="useFile">
        <input ref="csvPicker" type="file" accept=".csv,.txt,.tsv,text/csv,text/plain" class="hidden" data-test="csv-file" @change="openCsv">
      </div>
      <template v-if="site.climate.kind === 'normals'">
        <p class="hint mb-1">
          Mean daily low and high of each month, {{ settings.units === 'us' ? '°F' : '°C' }}. What is not given besides is <strong>estimated</strong> from them{{ site.climate.sunshineH || site.climate.globalJm2 ? ' (light comes from sunshine figures that came with it)' : '' }}; days are made from a seed.
        </p>
        <div class="overflow-x-auto">
          <table class="months">
            <thead>
              <tr>
                <th scope="col"><span class="sr-only">Series</span></th>
                <th v-for="name in MONTH_NAMES" :key="name" scope="col">
                  {{ name.slice(0, 3) }}
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="[series, title] in ([['lowC', 'low'], ['highC', 'high']] as const)" :key="series">
                <th scope="row">
                  {{ title }}
                </th>
                <td v-for="(c, m) in site.climate[series]" :key="m">
                  <input class="input !px-1 text-right" :value="shown(c)" :aria-label="`${MONTH_NAMES[m]} ${title}`" :data-test="`${series}-${m}`" @change="setMonth(series, m, $event)">
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="cellFault" class="fault" role="alert">
          {{ cellFault }}
        </p>
        <details class="mt-2">
          <summary class="cursor-pointer">
            Paste from a spreadsheet
          </summary>
          <textarea
            v-model="pasted" class="input mt-1 h-20 font-mono text-sm" aria-label="Monthly lows and highs, pasted" data-test="paste" placeholder="Twelve rows (low, high) or two rows of twelve months"
          />
          <p v-if="pasteFault" class="fault" role="alert" data-test="paste-fault">
            {{ pasteFault }}
          </p>
          <button class="button mt-1" data-test="use-paste" @click="usePaste">
            Use these
          </button>
        </details>
        <div class="mt-2 max-w-60">
          <QuantityField label="Seed of the made days" quantity="count" :value="site.seed" :min="0" :max="RANGES['site.seed'][1]" hint="Another seed gives another year of the same climate." :set="set('site.seed')" />
        </div>
      </template>
      <template v-else>
        <p>An hourly year from <strong>{{ site.climate.source }}</strong> is in use.</p>
        <ul class="hint list-disc pl-5">
          <li v-for="note in site.climate.notes" :key="note">
            {{ note }}
          </li>
        </ul>
        <button class="button mt-2" @click="backToNormals">
          Use its monthly means instead
        </button>
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
    <CsvDialog :table="csv?.table ?? null" :file-name="csv?.name ?? ''" :site="csvSite" @close="csv = null" @take="takeCsv" />
  </TabGroup>
</template>

<style scoped>
.panel { padding: 0.7rem 1.1rem; }
.months { border-collapse: separate; border-spacing: 1px; width: 100%; }
@media (min-width: 901px) {
  .step-grid.site-grid { grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr) minmax(0, 1.25fr) !important; }
}
.months th { font-weight: 400; font-size: 0.85rem; color: var(--soft); text-align: center; }
.months tbody th { padding-right: 6px; text-align: left; color: var(--ink); }
.months td { min-width: 2.5rem; }
.months .input { font-size: 0.9rem; padding-inline: 1px !important; letter-spacing: -0.02em; }
</style>
