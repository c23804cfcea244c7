<script setup lang="ts">
import { MADE_TO_FIT, madeToFitLines } from '../../../core/advice/made-to-fit'
import { GLAZINGS } from '../../../core/catalog'
import { MONTH_NAMES } from '../../../core/climate'
import { fieldAt, PART_IDS, type PartId } from '../../../core/design'
import { freeOpening } from '../../../core/editing'
import { partName } from '../../../core/geometry/parts'
import { hostsFor } from '../../../core/geometry/let-in'
import { OPENING_KINDS, openingKind, openingName } from '../../../core/openings/registry'
import { usedFields } from '../../../core/openings/used'

/** Vents, windows and doors: add, change, duplicate, take out; each with its own figures. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const drawing = useDrawing()
const openings = computed(() => bench.current.skin.openings)
const { open, put, takeOut, pathsOf, set } = useKindList('skin.openings', 'opening')
const before = computed(() => madeToFitLines(bench.current, settings.show))
const nameOf = (part: PartId) => partName(part, bench.current.shape.form)

const listed = computed(() =>
  openings.value.map((o, i) => {
    const kind = openingKind(o)
    const answer = year.view?.answers.openings[i]
    const pane = year.view?.answers.parts.find(p => p.id === `opening ${i}`)
    const said = [
      ...(answer && answer.kind === o.kind && answer.hoursOpen > 0
        ? [`open in ${Math.round(answer.hoursOpen)} hours of the year`]
        : []),
      ...(pane
        ? [
            `lets in ${settings.show(pane.letInKWh * 3.6e6, 'energy')} of sun`,
            `loses ${settings.show(pane.coldNightW, 'power')} on the coldest night`,
          ]
        : []),
    ]
    const there = hostsFor(bench.current, kind).includes(o.part)
    return {
      i,
      name: openingName(openings.value, i),
      line: `${nameOf(o.part)}: ${kind.line(o, settings.show)}`,
      figures: there
        ? said.length > 0
          ? `${said.join('; ')}.`
          : null
        : 'This form has no such part: it does nothing.',
    }
  }),
)
const fields = computed(() => {
  const o = openings.value[open.value]
  return o ? pathsOf(usedFields(o)) : []
})
function options(path: string) {
  const o = openings.value[open.value]!
  if (path.endsWith('.part'))
    return PART_IDS.filter(p => p === o.part || hostsFor(bench.current, openingKind(o)).includes(p)).map(p => ({
      id: p,
      name: nameOf(p),
    }))
  if (path.endsWith('Month')) return MONTH_NAMES.map((name, i) => ({ id: String(i + 1), name }))
  if (path.endsWith('.glazing')) {
    const house = GLAZINGS.find(g => g.id === bench.current.skin.glazing)!
    return [{ id: '', name: `as the house: ${house.name}` }, ...GLAZINGS]
  }
  if (path.endsWith('.shuts')) return [{ id: '', name: 'as the tightness of the house says' }, ...choicesOf(path)]
  return undefined
}
function choicesOf(path: string) {
  const field = fieldAt(path, bench.current)
  return field?.kind === 'choice' ? field.choices : []
}

function add(kind: string): void {
  const made = freeOpening(bench.current, OPENING_KINDS.find(k => k.kind === kind)!, drawing.part)
  put(made, `add ${kind}`, 'There is no wall or slope for it.', 'Make a part solid, or make room on one.')
}
function duplicate(i: number): void {
  const o = openings.value[i]!
  const made = freeOpening(bench.current, openingKind(o), o.part, o)
  put(made, 'duplicate opening', 'There is no room for another one.', 'Make this one smaller first.')
}
</script>

<template>
  <div v-if="before.length > 0" class="caution mb-3" role="note" data-test="made-to-fit">
    <p>{{ MADE_TO_FIT }}</p>
    <ul class="my-1 list-disc pl-5">
      <li v-for="line in before" :key="line">{{ line }}</li>
    </ul>
    <button class="button" data-test="made-to-fit-seen" @click="bench.edit([['madeToFit', []]])">I have seen it</button>
  </div>
  <KindList
    v-model="open"
    title="Vents, windows and doors"
    hint="press one on the section or the plan"
    empty="Nothing opens: on a sunny day the air inside harms plants and people."
    one="opening"
    :items="listed"
    :kinds="OPENING_KINDS"
    :fields="fields"
    :options="options"
    :set="set"
    @add="add"
    @duplicate="duplicate"
    @take-out="takeOut"
  />
</template>
