<script setup lang="ts">
import { bodyName, BODY_KINDS, kindOf } from '../../../core/bodies/registry'
import { vesselName, VESSELS } from '../../../core/catalog'
import type { Body, Design } from '../../../core/design'
import type { BodyAnswer } from '../../../core/body-answers'
import { changedBody, freeBody, withoutBody } from '../../../core/editing'
import { inPlaceOfBed } from '../../../core/editing/offers'
import { roomObjects, roomOf } from '../../../core/geometry/objects'
import { nameIn, type OtherReading } from '../../../core/units'

/** Everything that stands in the room and keeps heat: add, change, duplicate, take out; each with its own figures. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const bodies = computed(() => bench.current.store.bodies)
const { open, edit, put, pathsOf } = useKindList('store.bodies', 'body')
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
  const without = new Set(['kind', ...kindOf(body).idle(body)])
  return pathsOf(Object.keys(kindOf(body).fields.fields).filter(name => !without.has(name)))
})

function add(id: string): void {
  const kind = BODY_KINDS.find(k => k.kind === id)!
  const made = freeBody(bench.current, kind)
  const what = 'Move or take out something else, or make the house wider.'
  put(made, `add ${id}`, 'There is no free floor for it.', what, () => {
    const room = roomOf(bench.current.shape)
    const fresh = kind.fresh(room)
    const { y0, y1 } = kind.box(fresh, room)
    const lengths = [0.5, 1, 1.4].map(share => Math.ceil(share * (y1 - y0) * 10) / 10)
    const inHouse = (house: Design, offsetM: number) => freeBody(house, kind, { ...fresh, offsetM } as Body, true)
    return inPlaceOfBed(bench.current, 'body', inHouse, lengths, settings.show)
  })
}
function duplicate(i: number): void {
  const made = freeBody(bench.current, kindOf(bodies.value[i]!), bodies.value[i])
  put(made, 'duplicate body', 'There is no free floor for another one.', 'Make this one smaller first.')
}
const takeOut = (i: number) => edit(withoutBody(bench.current, i), 'take body out')
const change = (path: string, value: unknown) =>
  bench.edit(changedBody(bench.current, open.value, path.split('.').pop()!, value), path)
/** Named with what they hold, in the units in use. */
const vessels = computed(() => VESSELS.map(v => ({ ...v, name: nameIn(vesselName(v), settings.show) })))
/** Its depth, height or number may be typed as what it is to hold: 1000 gal. */
function byVolume(path: string): OtherReading | undefined {
  const body = bodies.value[open.value]!
  const filled = kindOf(body).filled
  if (!path.endsWith(`.${filled.field}`)) return undefined
  const each = filled.eachM3(body, boxes.value[open.value]!)
  return { quantity: 'volume', toOwn: m3 => m3 / each }
}
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
    :other="byVolume"
    @add="add"
    @duplicate="duplicate"
    @take-out="takeOut"
  >
    <BodyCard :index="open" />
  </KindList>
  <DesignField v-if="listed.length > 0" path="store.reach" class="mt-2 max-w-64 px-4" />
</template>
