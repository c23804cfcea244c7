<script setup lang="ts">
import { laidOn, MOVES, moveWords } from '../../../core/moves/registry'
import { planStages, STAGE_NAMES, type StageName } from '../../../core/study/stages'
import { formatNumber } from '../../../core/units'

/** What to build now, and what may wait: the year's answer after each stage, and what can't be added later. */
const bench = useDesign()
const settings = useSettings()
const ladder = useLadder()
const when = computed(() => ladder.stages)
const can = computed(() => {
  const listed = ladder.stale ? [] : ladder.order.filter(r => Math.max(r.gainK, r.lifeK) > 0.02 || r.savedKWh > 1)
  const rank = new Map(listed.map((r, i) => [r.id, i]))
  return laidOn(bench.current, MOVES, settings.show)
    .filter(l => when.value[l.move.id] || listed.length === 0 || rank.has(l.move.id))
    .sort((a, b) => (rank.get(a.move.id) ?? 99) - (rank.get(b.move.id) ?? 99))
})
const FIRST = 14
const all = ref(false)
const shown = computed(() => can.value.filter((l, i) => all.value || i < FIRST || when.value[l.move.id]))
const CHOICES = [{ id: '', name: 'not planned' }, ...STAGE_NAMES.map(s => ({ id: s, name: s }))]
function put(id: string, stage: string): null {
  const rest = Object.fromEntries(Object.entries(when.value).filter(([other]) => other !== id))
  ladder.stages = stage === '' ? rest : { ...rest, [id]: stage as StageName }
  return null
}
const plan = computed(() => {
  try {
    return { stages: planStages(bench.current, when.value), failure: '' }
  } catch (error) {
    return { stages: [], failure: error instanceof Error ? error.message : String(error) }
  }
})
const used = computed(() => plan.value.stages.filter(s => s.moves.length > 0))
const briefs = useBriefs(() => used.value.map(s => ({ name: s.name, design: s.design })))
watch(
  () => JSON.stringify(when.value),
  () => briefs.clear(),
)
const after = (name: StageName) => briefs.found.value.find(f => f.name === name)?.brief
const words = (id: string) => moveWords(MOVES.find(m => m.id === id)!, bench.current, settings.show)
const late = computed(() => plan.value.stages.flatMap(s => s.tooLate.map(t => ({ ...t, stage: s.name }))))
const money = (v: number) => `${bench.current.topUp.currency} ${formatNumber(v, 0)}`
const t = (c: number) => settings.show(c, 'temperature')
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-2">
    <section>
      <h2 class="group-title">Stages <span class="hint font-sans font-normal">few pay for it all at once</span></h2>
      <p v-if="ladder.order.length === 0" class="hint">Work the ladder out first, and what helps most stands first.</p>
      <table data-test="plan">
        <tbody>
          <tr v-for="l in shown" :key="l.move.id" class="border-t border-line">
            <th scope="row" class="py-0.5 pr-3 text-left font-normal">
              {{ l.words }}
              <span v-if="l.move.before" class="hint block leading-tight">
                before {{ l.move.before === 'backfill' ? 'the ground is filled' : 'the glazing goes on' }}
              </span>
            </th>
            <td class="stage label-heard">
              <ChoiceField
                :label="`When: ${l.words}`"
                :value="when[l.move.id] ?? ''"
                :options="CHOICES"
                :set="(s: string) => put(l.move.id, s)"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <button v-if="can.length > FIRST" class="button mt-2" data-test="all-stages" @click="all = !all">
        {{ all ? 'Fewer' : `All ${can.length} changes` }}
      </button>
    </section>
    <section>
      <h2 class="group-title">The house after each stage</h2>
      <p v-if="plan.failure" class="fault" role="alert">{{ plan.failure }}</p>
      <p v-else-if="used.length === 0" class="hint">Say of some changes when they are to be built.</p>
      <template v-else>
        <BriefBar
          ask="Work out each stage’s year"
          test="stages"
          :state="briefs.state"
          :stale="briefs.stale.value"
          :ready="briefs.found.value.length > 0"
          @start="briefs.start"
          @cancel="briefs.cancel"
        />
        <ol data-test="stages">
          <li v-for="s in used" :key="s.name" class="border-t border-line py-1.5">
            <p class="flex justify-between gap-3">
              <strong class="slab">{{ s.name }}</strong>
              <span class="tabular-nums">{{ money(s.cost) }}</span>
            </p>
            <ul class="ml-5 list-disc text-sm">
              <li v-for="id in s.moves" :key="id">{{ words(id) }}</li>
            </ul>
            <p v-if="after(s.name)">
              Then the coldest night is <strong>{{ t(after(s.name)!.coldestC) }}</strong
              >, the hottest afternoon {{ t(after(s.name)!.hottestC) }}; running it buys
              {{ money(after(s.name)!.aYear) }} a year.
            </p>
          </li>
        </ol>
        <div v-for="l in late" :key="l.id" class="caution" role="note">
          {{ words(l.id) }}: by “{{ l.stage }}”
          {{ l.before === 'backfill' ? 'the ground is filled' : 'the glazing is on' }}. It belongs in the first stage.
        </div>
      </template>
    </section>
  </div>
</template>

<style scoped>
.stage {
  min-width: 9.5rem;
}
</style>
