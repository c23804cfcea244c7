<script setup lang="ts">
import { withCurrency } from '../../../core/editing/currency'
import { formatNumber, parseQuantity } from '../../../core/units'

/** Which currency the design is in. Each has a price book of its own; a new one begins by a ratio that is asked for. */
const bench = useDesign()
const settings = useSettings()
const id = useId()
const money = computed(() => bench.current.topUp)
const known = computed(() => money.value.books.map(b => b.currency))
/** A currency without a book, while its ratio is asked for. */
const wanted = ref<string | null>(null)
const times = ref('')
const fault = ref('')
const said = computed(() =>
  money.value.ratio === 1
    ? `Rough prices stand as they are in the book: about euros, read as ${money.value.currency}.`
    : `Rough prices are ${formatNumber(money.value.ratio, money.value.ratio < 10 ? 3 : 1)} ${money.value.currency} ` +
      'for one of the rough book.',
)

function take(to: string, ratio: number): void {
  const refused = bench.replace(withCurrency(bench.current, to, ratio), 'currency')
  fault.value = refused ?? ''
  if (!refused) wanted.value = null
}
function choose(event: Event): void {
  const input = event.target as HTMLInputElement
  const to = input.value.trim().toUpperCase()
  fault.value = ''
  wanted.value = null
  if (to === money.value.currency) return
  input.value = money.value.currency
  if (!/^[A-Z]{3}$/.test(to)) fault.value = `“${to}” is no currency. Allowed: its three letters, such as EUR or TRY.`
  else if (known.value.includes(to)) take(to, 1)
  else {
    times.value = ''
    wanted.value = to
  }
}
function begin(): void {
  const read = parseQuantity(times.value, 'ratio', settings.units)
  const ratio = read.ok ? read.value : NaN
  if (!(ratio > 0) || ratio > 1e6)
    fault.value = `“${times.value.trim()}” is no ratio. Allowed: a number over 0, up to a million.`
  else take(wanted.value!, ratio)
}
</script>

<template>
  <div data-test="currency-book">
    <label :for="id" class="mr-2">Currency</label>
    <input :id="id" class="input !w-20" maxlength="3" :value="money.currency" @change="choose" />
    <button v-for="to in known" :key="to" class="button quiet ml-2" :data-test="`book-${to}`" @click="take(to, 1)">
      to the book in {{ to }}
    </button>
    <form v-if="wanted" class="mt-2 flex flex-wrap items-center gap-2" data-test="ask-ratio" @submit.prevent="begin">
      <label :for="`${id}-times`">One {{ money.currency }} is how many {{ wanted }}?</label>
      <input :id="`${id}-times`" v-model="times" class="input !w-24" autocomplete="off" />
      <button class="button" type="submit">Begin a book in {{ wanted }}</button>
      <button class="button quiet" type="button" @click="wanted = null">Stay with {{ money.currency }}</button>
    </form>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <p class="hint">{{ said }} All other money of the design goes along; each currency keeps its own prices.</p>
  </div>
</template>
