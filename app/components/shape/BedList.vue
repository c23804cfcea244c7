<script setup lang="ts">
import { MOST_BEDS } from '../../../core/beds/common'
import { BED_KINDS, bedKind } from '../../../core/beds/registry'
import { needsOf } from '../../../core/aim/aim-line'
import { MONTH_NAMES } from '../../../core/climate'
import { bedName } from '../../../core/design'
import { bedInTwo, bedsJoined, freeBed, withoutBed } from '../../../core/editing'
import { roomObjects, standsOnM2 } from '../../../core/geometry/objects'

/** The beds: add, change, duplicate, take out; cut by a way across, in two, or joined; each with its own figures. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const m = (v: number) => settings.show(v, 'length')
const beds = computed(() => bench.current.shape.beds)
const { open, edit, put, pathsOf, set } = useKindList('shape.beds', 'bed')
const takeOut = (i: number) => edit(withoutBed(bench.current, i) as [string, unknown][], 'take bed out')
const boxes = computed(() => roomObjects(bench.current).filter(o => o.kind === 'bed'))
/** A bed of one kind lies round a dome, and nowhere else. */
const kinds = computed(() => BED_KINDS.filter(k => k.place === 'atM' || bench.current.shape.form === 'dome'))

const listed = computed(() =>
  beds.value.map((bed, i) => {
    const box = boxes.value[i]!
    const { name, place } = bedKind(bed)
    const size =
      place === 'atM' ? `${m(box.x1 - box.x0)} × ${m(box.y1 - box.y0)}` : `${m(bed.widthM)} wide along the rim`
    return {
      i,
      name: bedName(beds.value, i),
      line:
        `${name === 'Bed' ? '' : `${name.toLowerCase()}, `}${size}, ${m(bed.heightM)} high; ` +
        settings.show(standsOnM2(box), 'area'),
      figures: figuresOf(i),
    }
  }),
)
/** Its own light and soil, in its darkest month and its coldest hour. */
function figuresOf(i: number): string | null {
  const answer = year.view?.answers.beds[i]
  if (!answer) return null
  const { dli, soilMinC } = answer
  const darkest = dli.indexOf(Math.min(...dli))
  return (
    `${dli[darkest]!.toFixed(1)} mol/m² a day of sun in ${MONTH_NAMES[darkest]}; ` +
    `soil at its coldest ${settings.show(soilMinC, 'temperature')}.`
  )
}
const fields = computed(() => {
  const bed = beds.value[open.value]
  if (!bed) return []
  const idle = new Set(['kind', ...(bed.boardM > 0 ? [] : ['boardMaterial']), ...(bed.crop ? [] : ['thenCrop'])])
  return pathsOf(Object.keys(bedKind(bed).fields.fields).filter(name => !idle.has(name)))
})
const crops = computed(() => (none: string) => [
  { id: '', name: none },
  ...bench.current.aim.crops.map(c => ({ id: c.id, name: needsOf(c).name })),
])
const options = (path: string) =>
  path.endsWith('.crop')
    ? crops.value('planted all year')
    : path.endsWith('.thenCrop')
      ? crops.value('nothing')
      : undefined

const WHAT = 'Move or narrow one first.'
function add(kind: string): void {
  if (beds.value.length >= MOST_BEDS) put(null, 'add beds', `There are ${MOST_BEDS} beds, as many as can be.`, WHAT)
  else
    put(
      freeBed(bench.current, BED_KINDS.find(k => k.kind === kind)!),
      'add beds',
      'There is no free floor for it.',
      WHAT,
    )
}
const duplicate = (i: number) =>
  put(
    beds.value.length >= MOST_BEDS ? null : freeBed(bench.current, bedKind(beds.value[i]!), beds.value[i]),
    'duplicate bed',
    'There is no free floor for another one.',
    WHAT,
  )
const cuts = computed(() => [
  { id: 'cross-path', name: 'A way across it', edits: bedInTwo(bench.current, open.value, MOST_BEDS) },
  { id: 'split', name: 'Cut in two', edits: bedInTwo(bench.current, open.value, MOST_BEDS, 0) },
  { id: 'join', name: 'Join with the next in its row', edits: bedsJoined(bench.current, open.value) },
])
</script>

<template>
  <KindList
    v-model="open"
    title="Beds"
    hint="drag them on the section and the plan"
    empty="None yet."
    one="bed"
    :items="listed"
    :kinds="kinds"
    :fields="fields"
    :options="options"
    :set="set"
    @add="add"
    @duplicate="duplicate"
    @take-out="takeOut"
  >
    <div class="mt-1.5 flex flex-wrap gap-1.5">
      <button
        v-for="c in cuts"
        :key="c.id"
        class="button"
        :data-test="`bed-${c.id}`"
        :disabled="c.edits === null"
        @click="edit([...c.edits!] as [string, unknown][], `${c.id} bed`)"
      >
        {{ c.name }}
      </button>
    </div>
  </KindList>
</template>
