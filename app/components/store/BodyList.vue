<script setup lang="ts">
import { BODY_KINDS, kindOf } from '../../../core/bodies/registry'
import { VESSELS } from '../../../core/catalog'
import { fieldAt } from '../../../core/design'
import { changedBody, freeBody } from '../../../core/editing'
import { bodyName, roomObjects } from '../../../core/geometry/objects'

/** Everything that stands in the room and keeps heat: add, change, duplicate, take out; each with its own figures. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const bodies = computed(() => bench.current.store.bodies)
/** The one whose fields are shown. */
const drawing = useDrawing()
const open = ref(drawing.pressed?.kind === 'body' ? drawing.pressed.index : 0)
watch(
  () => drawing.pressed,
  thing => {
    if (thing?.kind === 'body') open.value = thing.index
  },
)
const chosen = computed(() => Math.min(open.value, bodies.value.length - 1))
const boxes = computed(() => roomObjects(bench.current).filter(o => o.kind === 'body'))

const listed = computed(() =>
  bodies.value.map((body, i) => {
    const answer = year.view?.answers.bodies[i]
    return {
      i,
      name: bodyName(bodies.value, i),
      line: kindOf(body).line(body, boxes.value[i]!, settings.show),
      // Figures of a year that is being worked out may be of another list.
      answer: answer && answer.kind === body.kind ? answer : null,
    }
  }),
)
/** A kind's fields in the order of its table, without its name. */
const fields = computed(() => {
  const body = bodies.value[chosen.value]
  if (!body) return []
  return Object.keys(kindOf(body).fields.fields)
    .filter(name => name !== 'kind')
    .map(name => `store.bodies.${chosen.value}.${name}`)
})

/** Takes another list; what is refused is told, since no field stands for a whole list. */
function put(list: readonly unknown[], kind: string): string | null {
  const refused = bench.edit([['store.bodies', list]], kind)
  if (refused) useNotices().tell('error', 'That can’t be put there.', { lines: [refused] })
  return refused
}
function add(kind: string): void {
  const made = freeBody(bench.current, BODY_KINDS.find(k => k.kind === kind)!)
  if (!made) {
    useNotices().tell('error', 'There is no free floor for it.', {
      lines: ['Move or take out something else, or make the house wider.'],
    })
    return
  }
  if (!put([...bodies.value, made], `add ${kind}`)) open.value = bodies.value.length - 1
}
function duplicate(i: number): void {
  const made = freeBody(bench.current, kindOf(bodies.value[i]!), bodies.value[i])
  if (!made)
    useNotices().tell('error', 'There is no free floor for another one.', { lines: ['Make this one smaller first.'] })
  else if (!put([...bodies.value, made], 'duplicate body')) open.value = bodies.value.length - 1
}
function takeOut(i: number): void {
  put(
    bodies.value.filter((_, k) => k !== i),
    'take body out',
  )
  open.value = Math.max(0, Math.min(open.value, bodies.value.length - 1))
}
const change = (path: string, value: unknown) =>
  bench.edit(changedBody(bench.current, chosen.value, path.split('.').pop()!, value), path)
const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)
/** Named with what they hold, in the units in use. */
const vessels = computed(() => VESSELS.map(v => ({ ...v, name: `${v.name}, ${settings.show(v.volumeM3, 'volume')}` })))
const t = (c: number) => settings.show(c, 'temperature')
</script>

<template>
  <div>
    <h2 class="group-title">
      What stands in the room
      <span class="hint font-sans font-normal">drag it on the section and the plan</span>
    </h2>
    <p v-if="bodies.length === 0" class="hint">Nothing yet: water and stone that the winter sun reaches pay most.</p>
    <ul class="grid gap-1" data-test="bodies">
      <li
        v-for="b in listed"
        :key="b.i"
        class="flex flex-wrap items-baseline gap-x-2 border-l-4 pl-2"
        :class="b.i === chosen ? 'border-clay' : 'border-line'"
      >
        <button
          class="cursor-pointer text-left underline decoration-dotted underline-offset-3"
          :aria-pressed="b.i === chosen"
          :data-test="`body-${b.i}`"
          @click="open = b.i"
        >
          <strong>{{ b.name }}</strong>
        </button>
        <span class="min-w-0 flex-1">{{ b.line }}</span>
        <button class="button quiet" :aria-label="`Another ${b.name.toLowerCase()}`" @click="duplicate(b.i)">+</button>
        <button
          class="button quiet"
          :aria-label="`Take out ${b.name.toLowerCase()}`"
          :data-test="`take-out-${b.i}`"
          @click="takeOut(b.i)"
        >
          ×
        </button>
        <span v-if="b.answer" class="hint basis-full" :data-test="`body-figures-${b.i}`">
          {{ t(b.answer.coldestC) }} at its coldest, {{ t(b.answer.warmestC) }} at its warmest; swings
          {{ settings.show(b.answer.dailySwingK, 'temperatureDifference') }} a day; takes in
          {{ settings.show(b.answer.sunKWh * 3.6e6, 'energy') }} of sun a year{{
            b.answer.iceHours > 0 ? `; holds ice for ${settings.show(b.answer.iceHours, 'hours')}` : ''
          }}.
        </span>
      </li>
    </ul>
    <div class="mt-1.5 flex flex-wrap gap-1.5">
      <button v-for="k in BODY_KINDS" :key="k.kind" class="button" :data-test="`add-${k.kind}`" @click="add(k.kind)">
        Add {{ k.plural ? '' : 'a ' }}{{ k.name.toLowerCase() }}
      </button>
    </div>
    <fieldset v-if="fields.length > 0" class="mt-2" data-test="body-fields">
      <legend class="slab">{{ listed[chosen]!.name }}</legend>
      <div class="grid grid-cols-2 gap-x-6 gap-y-1 md:grid-cols-3">
        <DesignField
          v-for="path in fields"
          :key="path"
          :path="path"
          :label="capital(fieldAt(path, bench.current)!.label)"
          :options="path.endsWith('.vessel') ? vessels : undefined"
          :set="(v: unknown) => change(path, v)"
        />
      </div>
    </fieldset>
  </div>
</template>
