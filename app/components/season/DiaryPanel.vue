<script setup lang="ts">
import { CROPS, entry } from '../../../core/catalog'
import { isDate } from '../../../core/design/fields/build'
import { yearPage } from '../../../core/season/diary'
import { SEASON_TASKS } from '../../../core/season/season-tasks'
import { monthYear, shortDay } from '../../../core/text/dates'
import { sameInDepth } from '~/keeping/put-back'
import { todayHere } from '~/stores/season'

/** A year on one page: month by month what was read, done, harvested and noted; and what was changed on the house. */
const season = useSeason()
const settings = useSettings()
const months = computed(() => yearPage(season.book))
const monthName = (m: string) => monthYear(`${m}-15`)
const t = (c: number) => (Number.isNaN(c) ? '–' : settings.show(c, 'temperature'))
const taskName = (id: string) => SEASON_TASKS.find(task => task.id === id)?.name ?? id
const on = ref(todayHere())
const text = ref('')
const kind = ref<'note' | 'change'>('note')
const picture = ref('')
const fault = ref('')
const KINDS = [
  { id: 'note', name: 'a note' },
  { id: 'change', name: 'a change to the house' },
] as const
/** A picture is kept small: it travels with the book. */
const WIDE_PX = 360
async function takePicture(file: File | null): Promise<void> {
  if (!file) return
  try {
    const whole = await createImageBitmap(file)
    const scale = Math.min(1, WIDE_PX / whole.width)
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(whole.width * scale)
    canvas.height = Math.round(whole.height * scale)
    canvas.getContext('2d')!.drawImage(whole, 0, 0, canvas.width, canvas.height)
    picture.value = canvas.toDataURL('image/jpeg', 0.7)
    fault.value = ''
  } catch {
    fault.value = 'That is no picture that this browser can read. Allowed: JPEG, PNG or WebP.'
  }
}
async function add(): Promise<void> {
  if (!isDate(on.value)) return void (fault.value = 'That is no day of the calendar.')
  if (text.value.trim() === '' && picture.value === '') return void (fault.value = 'Nothing is written.')
  const [day, words, image] = [on.value, text.value.trim(), picture.value]
  fault.value =
    (await season.edit(w =>
      kind.value === 'change'
        ? { ...w, changes: [...w.changes, { on: day, what: words }] }
        : { ...w, notes: [...w.notes, { on: day, text: words, picture: image }] },
    )) ?? ''
  if (fault.value !== '') return
  text.value = ''
  picture.value = ''
}
/** A list without the one entry that says this; others of the same day and words stay. */
function without<T>(list: readonly T[], entry: T): T[] {
  const at = list.findIndex(e => sameInDepth(e, entry))
  return list.filter((_, i) => i !== at)
}
type Written = typeof season.book.written
const removeNote = (note: Written['notes'][number]) => season.edit(w => ({ ...w, notes: without(w.notes, note) }))
const removeChange = (change: Written['changes'][number]) =>
  season.edit(w => ({ ...w, changes: without(w.changes, change) }))
</script>

<template>
  <div class="px-4 py-3">
    <form class="flex flex-wrap items-end gap-3" data-test="write" @submit.prevent="add">
      <label>
        Day
        <input v-model="on" type="date" class="input block" />
      </label>
      <ChoiceField label="It is" :value="kind" :options="KINDS" :set="id => (kind = id)" class="w-48" />
      <label class="min-w-56 flex-1">
        {{ kind === 'change' ? 'What was changed' : 'Note' }}
        <input v-model="text" class="input block" maxlength="400" data-test="note-text" />
      </label>
      <label v-if="kind === 'note'" class="button">
        {{ picture ? 'Picture is there' : 'Picture' }}
        <input
          type="file"
          accept="image/*"
          class="sr-only"
          @change="takePicture(($event.target as HTMLInputElement).files?.[0] ?? null)"
        />
      </label>
      <button class="button" type="submit" data-test="write-down">Write it down</button>
    </form>
    <p class="hint">
      Changes to the house are told apart, so that readings from before and after are not held against one house.
    </p>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <p v-if="months.length === 0" class="mt-3">
      The page is empty: readings, jobs, harvests and notes come together here.
    </p>
    <ol class="mt-3 max-w-4xl" data-test="diary">
      <li v-for="m in months" :key="m.month" class="border-t border-line py-2">
        <h2 class="group-title">{{ monthName(m.month) }}</h2>
        <p v-if="m.read" class="tabular-nums">
          Inside {{ t(m.read.lowC) }} to {{ t(m.read.highC) }}, outside {{ t(m.read.outLowC) }} to
          {{ t(m.read.outHighC) }}; {{ m.read.days }} days read.
        </p>
        <p v-for="(c, i) in m.changes" :key="`${i} ${c.on} ${c.what}`">
          <strong>Changed on {{ shortDay(c.on) }}:</strong> {{ c.what }}
          <button class="button quiet" :aria-label="`Take out: ${c.what}`" @click="removeChange(c)">take out</button>
        </p>
        <p v-if="m.done.length > 0">Done: {{ m.done.map(d => taskName(d.task)).join('; ') }}.</p>
        <p v-if="m.nights > 0">{{ m.nights }} {{ m.nights === 1 ? 'thing' : 'things' }} done against cold nights.</p>
        <p v-for="c in m.harvest" :key="c.id">
          {{ entry(CROPS, c.crop).name }}: {{ c.firstOn?.startsWith(m.month) ? 'first harvest' : 'last harvest' }},
          {{ settings.show(c.kg, 'harvest') }} in all.
        </p>
        <div v-for="(n, i) in m.notes" :key="`${i} ${n.on}`" class="mt-1 flex gap-3">
          <img v-if="n.picture" :src="n.picture" :alt="n.text || 'picture'" class="max-h-36 border border-line" />
          <p>
            {{ shortDay(n.on) }}: {{ n.text }}
            <button class="button quiet" :aria-label="`Take out: ${n.text}`" @click="removeNote(n)">take out</button>
          </p>
        </div>
      </li>
    </ol>
  </div>
</template>
