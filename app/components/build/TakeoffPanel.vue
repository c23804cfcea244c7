<script setup lang="ts">
import {
  amountWords,
  BUILD_STAGES,
  MEASURED,
  PRICED,
  type BuildStage,
  type TakeoffLine,
} from '../../../core/takeoff/lines'
import { takeoff } from '../../../core/takeoff/takeoff'
import { formatNumber } from '../../../core/units'

/** What is to be bought, stage by stage: it follows the drawing, and takes a supplier and a note for each line. */
const bench = useDesign()
const settings = useSettings()
const all = computed(() => takeoff(bench.current, settings.show))
const stages = computed(() =>
  (Object.keys(BUILD_STAGES) as BuildStage[]).flatMap(id => {
    const lines = all.value.lines.filter(l => l.stage === id)
    return lines.length > 0 ? [{ id, lines, cost: lines.reduce((sum, l) => sum + l.cost, 0) }] : []
  }),
)
const notes = computed(() => new Map(bench.current.build.notes.map(n => [n.line, n])))
/** A word of the reader's own on a line, or what of it is there; one that says nothing goes out again. */
function note(line: string, said: { supplier?: string; note?: string; mine?: number }): string | null {
  const { build } = bench.current
  const one = { line, supplier: '', note: '', mine: 0, ...notes.value.get(line), ...said }
  const others = build.notes.filter(n => n.line !== line)
  const kept = one.supplier || one.note || one.mine > 0 ? [...others, one] : others
  return bench.edit([['build.notes', kept]], `note of ${line}`)
}
const typed = (event: Event) => (event.target as HTMLInputElement).value.trim()
const said = (amount: number, unit: string) => amountWords(amount, unit, settings.show)
const price = (l: TakeoffLine) => {
  const quantity = PRICED[l.unit]
  return quantity ? settings.show(l.price, quantity) : formatNumber(l.price, 2)
}
const bulk = (m3: number) => settings.show(m3, 'bulk')
/** The line whose words are being written. */
const open = ref('')
const input = () => ({ takeoff: takeoff(bench.current), design: bench.current })
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-end gap-x-4 gap-y-1">
      <p class="mr-auto">
        <strong class="slab text-2xl" data-test="takeoff-total" data-figure="cost"
          >{{ all.currency }} {{ formatNumber(all.total, 0) }}</strong
        >
        for {{ all.lines.length }} lines, without work.
        <template v-if="all.digM3 > 0">
          To dig {{ bulk(all.digM3) }}, to cart away {{ bulk(all.spoilM3) }} loose.
        </template>
      </p>
      <DesignField path="build.stock" class="w-48" />
      <DesignField path="build.wasteShare" class="w-44" hint="" />
      <ExportButtons of="take-off" :input="input" class="mb-1" />
    </div>
    <p class="caution" role="note">
      Before anything is dug, have lines and pipes in the ground marked. Sheets are lifted by two, and not in wind.
      Glass and saws cut, wet concrete burns the skin, earth walls and deep trenches fall in: local rules and licensed
      people come first. Frame sections, loads and anchors are for an engineer to say.
    </p>
    <p class="hint">
      Prices are those of the price book under Weigh up, rough until you type your own; the sum is what the score, the
      ladder and the report call the cost. Work is apart: about {{ settings.show(all.hands.hours, 'hours') }} by people
      who have done it before{{
        all.hands.cost > 0
          ? `, ${all.currency} ${formatNumber(all.hands.cost, 0)}`
          : ', which costs nothing by your own hands'
      }}.
    </p>
    <div class="overflow-x-auto" v-sideways>
      <table class="mt-2 w-full text-sm" data-test="takeoff">
        <thead>
          <tr>
            <th scope="col" class="text-left font-normal">item</th>
            <th scope="col" class="num">needed</th>
            <th scope="col" class="num">buy</th>
            <th scope="col" class="num">price</th>
            <th scope="col" class="num">cost</th>
            <td></td>
          </tr>
        </thead>
        <tbody v-for="s in stages" :key="s.id">
          <tr class="border-t border-ink">
            <th scope="rowgroup" colspan="4" class="slab pt-2 text-left text-base">{{ BUILD_STAGES[s.id] }}</th>
            <td class="num pt-2 font-semibold">{{ formatNumber(s.cost, 0) }}</td>
            <td></td>
          </tr>
          <template v-for="(l, i) in s.lines" :key="l.id">
            <tr v-if="i === 0 || s.lines[i - 1]!.part !== l.part">
              <th scope="rowgroup" colspan="6" class="hint pt-1 text-left font-normal">{{ settings.named(l.part) }}</th>
            </tr>
            <tr class="border-t border-line align-top" :data-test="`line-${l.id}`">
              <th scope="row" class="py-0.5 pl-3 text-left font-normal">
                {{ settings.named(l.item) }}
                <span v-if="l.note || notes.has(l.id)" class="hint block leading-tight">
                  {{
                    [settings.named(l.note ?? ''), notes.get(l.id)?.supplier, notes.get(l.id)?.note]
                      .filter(Boolean)
                      .join('; ')
                  }}
                </span>
                <span v-if="open === l.id" class="my-1 flex flex-wrap gap-2">
                  <label v-for="key in ['supplier', 'note'] as const" :key="key" class="words">
                    {{ key === 'supplier' ? 'Supplier' : 'Note' }}
                    <input
                      :value="notes.get(l.id)?.[key] ?? ''"
                      :maxlength="key === 'supplier' ? 80 : 200"
                      :data-test="`${key}-${l.id}`"
                      @change="note(l.id, { [key]: typed($event) })"
                    />
                  </label>
                  <QuantityField
                    class="words"
                    label="Already mine"
                    :quantity="MEASURED[l.unit] ?? 'count'"
                    :value="l.mine"
                    :min="0"
                    :max="l.buy"
                    :set="(mine: number) => note(l.id, { mine })"
                    :data-test="`mine-${l.id}`"
                  />
                </span>
                <span v-if="l.mine > 0" class="block leading-tight">already mine: {{ said(l.mine, l.unit) }}</span>
              </th>
              <td class="num">{{ said(l.amount, l.unit) }}</td>
              <td class="num font-semibold">{{ said(l.buy, l.unit) }}</td>
              <td class="num">{{ l.price > 0 ? price(l) : '' }}</td>
              <td class="num">{{ l.price > 0 ? formatNumber(l.cost, 0) : '' }}</td>
              <td class="pl-2">
                <button
                  class="button quiet"
                  :aria-expanded="open === l.id"
                  :aria-label="`Supplier and note of ${l.item}, ${l.part}`"
                  :data-test="`write-${l.id}`"
                  @click="open = open === l.id ? '' : l.id"
                >
                  {{ open === l.id ? 'done' : 'note' }}
                </button>
              </td>
            </tr>
          </template>
        </tbody>
        <tfoot>
          <tr class="border-t-2 border-ink font-semibold">
            <th scope="row" colspan="4" class="text-left">all</th>
            <td class="num" data-figure="cost">{{ all.currency }} {{ formatNumber(all.total, 0) }}</td>
            <td></td>
          </tr>
        </tfoot>
      </table>
    </div>
  </div>
</template>

<style scoped>
.num {
  text-align: right;
  white-space: nowrap;
  padding-left: 0.9rem;
  font-weight: 400;
  font-variant-numeric: tabular-nums;
}
.num.font-semibold {
  font-weight: 600;
}
.words {
  display: flex;
  align-items: center;
  gap: 0.4rem;
}
.words input {
  border: 1px solid var(--line);
  background: var(--field, var(--paper));
  padding: 0.15rem 0.4rem;
}
</style>
