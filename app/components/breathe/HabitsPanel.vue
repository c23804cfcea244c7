<script setup lang="ts">
import { ROW_SPACE_M } from '../../../core/bed-answers'
import { patchDesign } from '../../../core/editing'
import type { Design } from '../../../core/design'

/** What is done by season: airing in winter, sheets over the beds on cold nights, mist in the heat. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const HABITS = [
  {
    path: 'breathe.airing',
    title: 'Winter airing',
    hint: 'Vents stay shut until it is really warm; the house is aired for an hour or two at midday.',
    fields: ['fromH', 'untilH', 'holdUntilC', 'belowC'],
  },
  {
    path: 'breathe.rowCover',
    title: 'Row covers',
    hint:
      'A sheet on hoops over every bed or some, laid by hand: a smaller space to keep warm. ' +
      'Who leaves lays it before a night that takes the room below its limit.',
    fields: ['belowC', 'inBeds', 'days', 'fromH', 'untilH'],
  },
  {
    path: 'breathe.misting',
    title: 'Misting',
    hint: 'Fine drops dry in the air and take their heat from it. It works in dry air, and dampens the rest.',
    fields: ['startC', 'perHourM3', 'upTo'],
  },
] as const
type Habit = (typeof HABITS)[number]
const isOn = ({ path }: Habit) => bench.current.breathe[path.slice(8) as 'airing' | 'rowCover' | 'misting'].on
/** By the calendar of the house it has no hours of its own. */
const used = (h: Habit) =>
  h.fields.filter(
    f =>
      h.path !== 'breathe.rowCover' ||
      !['fromH', 'untilH'].includes(f) ||
      bench.current.breathe.rowCover.days !== 'house',
  )
const turned = (h: Habit) => (design: Design) => patchDesign(design, [[`${h.path}.on`, !isOn(h)]])
const misting = computed(() => year.view?.answers.misting ?? null)
const beds = computed(() => (year.view?.answers.beds ?? []).filter(b => b.underCover))
const t = (c: number) => settings.show(c, 'temperature')
</script>

<template>
  <div class="grid gap-x-8 gap-y-4 px-4 py-3 lg:grid-cols-3">
    <section v-for="h in HABITS" :key="h.path" :data-test="`habit-${h.path}`">
      <h2 class="group-title">{{ h.title }}</h2>
      <DesignField :path="`${h.path}.on`" />
      <p class="hint">{{ h.hint }}</p>
      <div v-if="isOn(h)" class="grid grid-cols-2 items-end gap-x-4 gap-y-1">
        <DesignField v-for="f in used(h)" :key="f" :path="`${h.path}.${f}`" />
      </div>
      <template v-if="h.path === 'breathe.rowCover' && isOn(h) && beds.length > 0">
        <table class="mt-2 text-sm" data-test="row-spaces">
          <thead>
            <tr class="text-right">
              <td></td>
              <th scope="col" class="pr-4 font-normal">of the room’s air</th>
              <th scope="col" class="pr-4 font-normal">air there</th>
              <th scope="col" class="font-normal">soil</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="b in beds" :key="b.index" class="text-right tabular-nums">
              <th scope="row" class="pr-4 text-left font-normal whitespace-nowrap">{{ b.name }}</th>
              <td class="pr-4">{{ settings.show(b.underCover!.spaceShare, 'share') }}</td>
              <td class="pr-4">
                <strong>{{ t(b.underCover!.airC) }}</strong>
              </td>
              <td>{{ t(b.underCover!.soilC) }}</td>
            </tr>
          </tbody>
        </table>
        <p class="hint">
          In the coldest hour, when the room has
          <span data-figure="coldest">{{ t(year.view!.answers.coldestNight.insideC) }}</span
          >. Sheets {{ settings.show(ROW_SPACE_M, 'length') }} above the soil; the air under all of them is reckoned as
          one.
        </p>
      </template>
      <p v-if="h.path === 'breathe.misting' && misting" class="mt-1" data-test="misting">
        Ran in {{ misting.hours }} hours of the year and took {{ settings.show(misting.waterKg / 1000, 'volume') }} of
        water.
      </p>
      <WithWithout
        :ask="isOn(h) ? `The year without ${h.title.toLowerCase()}` : `The year with ${h.title.toLowerCase()}`"
        :other="turned(h)"
        :heads="isOn(h) ? ['with', 'without'] : ['now', 'with it']"
      />
    </section>
  </div>
</template>
