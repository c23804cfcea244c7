<script setup lang="ts">
import { byHand } from '../../../core/advice/by-hand'
import { valueAt } from '../../../core/design'
import { startOf } from '../../../core/design/field'
import { presenceYear, schoolTerms, SPAN, VISIT } from '../../../core/people/presence'
import { dayName } from '../../../core/climate/calendar'
import { waterWhile } from '../../../core/study/absences'

/** Who is in the house and when: what is moved by hand keeps to it, and doors open by it. */
const bench = useDesign()
const LISTS = [
  {
    path: 'breathe.people.visits',
    one: 'visit',
    title: 'Who is there, and when',
    hint: 'what is moved by hand waits for them; who leaves shuts and draws what the night asks for',
    none: 'Nobody ever comes: nothing is moved by hand, and no door opens.',
    add: 'Add a visit',
    member: VISIT,
    most: 14,
  },
  {
    path: 'breathe.people.spans',
    one: 'span',
    title: 'Terms and holidays',
    hint: 'days of every year, as month and day; with terms, people come in these alone',
    none: 'None: every week is like the others.',
    add: 'Add a term or holiday',
    member: SPAN,
    most: 40,
  },
] as const
type List = (typeof LISTS)[number]
const listOf = ({ path }: List) => valueAt(bench.current, path) as readonly object[]
const fieldsOf = ({ member }: List) => Object.keys(member.fields)
const edit = ({ path, one }: List, list: readonly object[], what: string) =>
  bench.edit([[path, list]], `${what} ${one}`)
const add = (list: List) => edit(list, [...listOf(list), startOf(list.member) as object], 'add')
const takeOut = (list: List, i: number) =>
  edit(
    list,
    listOf(list).filter((_, k) => k !== i),
    'take out',
  )

const shown = useYear()
const settings = useSettings()
const answers = computed(() => shown.view?.answers ?? null)
const handed = computed(() => byHand(bench.current))
const water = computed(() => {
  const longest = year.value.away
  const m3 = longest && answers.value && waterWhile(answers.value.running, longest.from, longest.days)
  return longest && m3 && longest.days > 1 ? settings.show(m3, 'volume') : ''
})
const year = computed(() => presenceYear(bench.current.breathe.people))
const away = computed(() => {
  const longest = year.value.away
  if (!longest) return 'Somebody comes on every day.'
  if (year.value.days === 0) return 'Nobody comes on any day.'
  const last = (longest.from + longest.days - 1) % 365
  return longest.days === 1
    ? 'Never longer than one day without anybody.'
    : `Longest without anybody: ${longest.days} days, ${dayName(longest.from)} to ${dayName(last)}.`
})
</script>

<template>
  <div class="grid gap-y-4 px-4 py-3">
    <section v-for="list in LISTS" :key="list.path" :data-test="`${list.one}-list`">
      <h2 class="group-title">
        {{ list.title }} <span class="hint font-sans font-normal">{{ list.hint }}</span>
      </h2>
      <p v-if="listOf(list).length === 0" class="hint">{{ list.none }}</p>
      <ul class="grid gap-y-2">
        <li v-for="(_, i) in listOf(list)" :key="i" class="flex items-end gap-x-3">
          <div class="grid min-w-0 flex-1 grid-cols-2 items-end gap-x-4 gap-y-1 md:grid-cols-4">
            <DesignField v-for="f in fieldsOf(list)" :key="f" :path="`${list.path}.${i}.${f}`" />
          </div>
          <button
            class="button quiet"
            :aria-label="`Take out ${list.one} ${i + 1}`"
            :data-test="`take-out-${list.one}-${i}`"
            @click="takeOut(list, i)"
          >
            ×
          </button>
        </li>
      </ul>
      <button
        v-if="listOf(list).length < list.most"
        class="button mt-1"
        :data-test="`add-${list.one}`"
        @click="add(list)"
      >
        {{ list.add }}
      </button>
      <button
        v-if="list.one === 'span' && listOf(list).length === 0"
        class="button mt-1 ml-2"
        data-test="school-terms"
        @click="edit(list, schoolTerms(bench.current.site.latitudeDeg), 'school terms as')"
      >
        Terms of a school
      </button>
    </section>
    <div>
      <p class="mb-2" data-test="presence">
        Somebody is there on {{ year.days }} days, in {{ year.hours }} hours of the year. {{ away }}
        <template v-if="water"
          >Beds and misting take {{ water }} in that time: let a drip run, or ask somebody.</template
        >
        <span class="hint"> 1 January counts as a Monday.</span>
      </p>
      <PresencePicture :people="bench.current.breathe.people" />
    </div>
    <section data-test="by-hand">
      <h2 class="group-title">What is done by hand</h2>
      <p v-if="handed.length === 0" class="hint">Nothing: all that moves has a motor, wax or a thermostat.</p>
      <ul>
        <li v-for="h in handed" :key="h.name">
          <strong class="font-semibold">{{ h.name }}</strong
          >: {{ h.own === null ? 'when people are there, as above' : h.own }}
          <button v-if="h.follow" class="button quiet" @click="bench.edit([h.follow])">Keep to the people above</button>
        </li>
      </ul>
    </section>
    <WhatIfAbsent />
  </div>
</template>
