<script setup lang="ts">
import { BODY_KINDS, kindOf } from '../../../core/bodies/registry'
import { VESSELS } from '../../../core/catalog'
import type { BodyAnswer } from '../../../core/body-answers'
import { changedBody, freeBody } from '../../../core/editing'
import { bodyName, roomObjects } from '../../../core/geometry/objects'

/** Everything that stands in the room and keeps heat: add, change, duplicate, take out; each with its own figures. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const bodies = computed(() => bench.current.store.bodies)
/** The one whose fields are shown. */
const drawing = useDrawing()
const pressed = ref(drawing.pressed?.kind === 'body' ? drawing.pressed.index : 0)
watch(
  () => drawing.pressed,
  thing => {
    if (thing?.kind === 'body') pressed.value = thing.index
  },
)
const open = computed({
  get: () => Math.min(pressed.value, bodies.value.length - 1),
  set: i => {
    pressed.value = i
  },
})
const boxes = computed(() => roomObjects(bench.current).filter(o => o.kind === 'body'))

const t = (c: number) => settings.show(c, 'temperature')
const listed = computed(() =>
  bodies.value.map((body, i) => {
    const answer = year.view?.answers.bodies[i]
    return {
      i,
      name: bodyName(bodies.value, i),
      line: kindOf(body).line(body, boxes.value[i]!, settings.show),
      // Figures of a year that is being worked out may be of another list.
      figures: answer && answer.kind === body.kind ? figuresOf(answer) : null,
    }
  }),
)
function figuresOf(a: BodyAnswer): string {
  const ice = a.iceHours > 0 ? `; holds ice for ${settings.show(a.iceHours, 'hours')}` : ''
  return (
    `${t(a.coldestC)} at its coldest, ${t(a.warmestC)} at its warmest; swings ` +
    `${settings.show(a.dailySwingK, 'temperatureDifference')} a day; takes in ` +
    `${settings.show(a.sunKWh * 3.6e6, 'energy')} of sun a year${ice}.`
  )
}
/** A kind's fields in the order of its table, without its name. */
const fields = computed(() => {
  const body = bodies.value[open.value]
  if (!body) return []
  return Object.keys(kindOf(body).fields.fields)
    .filter(name => name !== 'kind')
    .map(name => `store.bodies.${open.value}.${name}`)
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
  bench.edit(changedBody(bench.current, open.value, path.split('.').pop()!, value), path)
/** Named with what they hold, in the units in use. */
const vessels = computed(() => VESSELS.map(v => ({ ...v, name: `${v.name}, ${settings.show(v.volumeM3, 'volume')}` })))
const options = (path: string) => (path.endsWith('.vessel') ? vessels.value : undefined)
</script>

<template>
  <KindList
    v-model="open"
    title="What stands in the room"
    hint="drag it on the section and the plan"
    empty="Nothing yet: water and stone that the winter sun reaches pay most."
    one="body"
    :items="listed"
    :kinds="BODY_KINDS"
    :fields="fields"
    :options="options"
    :set="change"
    @add="add"
    @duplicate="duplicate"
    @take-out="takeOut"
  />
</template>
