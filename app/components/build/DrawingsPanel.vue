<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import { layOut, PAPERS, SCALES, type PaperId, type Sheet } from '../../../core/drawings/sheet'
import { siteFacts } from '../../../core/drawings/site-facts'
import { VIEW_CHOICES, type ViewId } from '../../../core/drawings/views'
import { fullDate, localDay } from '../../../core/text/dates'
import { writeDrawingSvg } from '../../../formats/drawing-svg'

/** Drawings to scale for the office and the wall, as they come out of the printer. */
const bench = useDesign()
const settings = useSettings()
const winters = useWinters()
const year = useYear()
const view = ref<ViewId>('section')
const paper = ref<PaperId>(settings.units === 'metric' ? 'A4' : 'letter')
/** 1 to so many; empty for the largest that fits. */
const scale = ref('')
const PAPER_CHOICES = (Object.keys(PAPERS) as PaperId[]).map(id => ({ id, name: id }))
const SCALE_CHOICES = [{ id: '', name: 'as large as it fits' }, ...SCALES.map(s => ({ id: String(s), name: `1:${s}` }))]
const take = (key: 'view' | 'paper' | 'scale') => (id: string) => {
  if (key === 'view') view.value = id as ViewId
  else if (key === 'paper') paper.value = id as PaperId
  else scale.value = id
  return null
}
const isFeet = computed(() => settings.units !== 'metric')
const today = () => fullDate(localDay(new Date()))
const laid = computed((): { sheet: Sheet | null; fault: string } => {
  try {
    const sheet = layOut(bench.current, {
      view: view.value,
      paper: paper.value,
      scale: scale.value === '' ? null : Number(scale.value),
      date: today(),
      show: settings.show,
      feet: isFeet.value,
      ...(year.view ? { site: siteFacts(bench.current, year.view) } : {}),
    })
    return { sheet, fault: '' }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return { sheet: null, fault: `${capital(error.message)}.` }
  }
})
const svg = computed(() => (laid.value.sheet ? writeDrawingSvg(laid.value.sheet) : ''))
const picture = computed(() => `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg.value)}`)
const called = computed(
  () => `${bench.current.name}, ${VIEW_CHOICES.find(v => v.id === view.value)!.name.toLowerCase()}`,
)
const input = () => laid.value.sheet!
/** All that goes to the site, its sheets on the paper that is chosen. */
const set = () => ({
  design: bench.current,
  view: year.view!,
  show: settings.show,
  winters: winters.stale ? [] : winters.all,
  paper: paper.value,
  date: today(),
  today: new Date().toISOString().slice(0, 10),
  feet: isFeet.value,
})
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-end gap-x-4 gap-y-1">
      <ChoiceField label="Drawing" :value="view" :options="VIEW_CHOICES" :set="take('view')" class="w-44" />
      <ChoiceField label="Paper" :value="paper" :options="PAPER_CHOICES" :set="take('paper')" class="w-28" />
      <ChoiceField label="Scale" :value="scale" :options="SCALE_CHOICES" :set="take('scale')" class="w-44" />
      <DesignField path="build.revision" class="w-28" />
      <template v-if="laid.sheet">
        <ExportButtons of="drawing" :input="input" :called="called" class="mb-1" />
      </template>
    </div>
    <p v-if="laid.fault" class="fault mt-2" role="alert">{{ laid.fault }}</p>
    <template v-if="laid.sheet">
      <img
        :src="picture"
        :alt="`${laid.sheet.title}, 1:${laid.sheet.scale} on ${laid.sheet.paper}`"
        class="mt-2 block w-full max-w-4xl border border-line"
        data-test="drawing"
      />
      <p class="hint mt-1">
        1:{{ laid.sheet.scale }} on {{ laid.sheet.paper }}: print at full size, and measure the bar before you measure
        anything else. The DXF is in millimetres at true size, its layers by part, its dimensions as dimensions.
      </p>
    </template>
    <h2 class="group-title mt-5">The builder’s set</h2>
    <p class="max-w-prose">
      All that goes to the site in one file with its contents: picture, figures, every drawing to scale, the list stage
      by stage, cuts, order of work with dates, control sheet, cautions, sums laid open, how sure it is, and notes.
    </p>
    <ExportButtons
      of="set"
      :input="set"
      :disabled="!year.view || year.running"
      waiting="Drawing the sheets …"
      class="mt-2"
    />
  </div>
</template>
