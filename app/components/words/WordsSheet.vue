<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { fieldAt } from '../../../core/design'
import { TERMS, termsIn, type Term } from '../../../core/words/glossary'
import { whyOf } from '../../../core/words/whys'

/** What a field is for, what a word means, and all words of the field to look up. */
focusBack()
const sheets = useSheets()
const bench = useDesign()
const settings = useSettings()
const sought = ref('')
const opened = ref<string | null>(null)
watch(
  () => sheets.words,
  () => {
    sought.value = ''
    opened.value = null
  },
)

const field = computed(() => {
  const asked = sheets.words
  if (!asked || !('path' in asked)) return null
  const found = fieldAt(asked.path, bench.current)
  const range =
    found?.kind === 'number' && found.quantity !== null
      ? `${settings.show(found.low, found.quantity)} to ${settings.show(found.high, found.quantity)} is allowed.`
      : ''
  return { label: asked.label, why: whyOf(asked.path, bench.current), range }
})
/** The terms that are told first: of the field, the one that was pressed, or those on the screen. */
const first = computed((): Term[] => {
  const asked = sheets.words
  if (!asked) return []
  if ('term' in asked) return TERMS.filter(t => t.id === asked.term)
  if ('path' in asked) return termsIn(`${asked.label}. ${whyOf(asked.path, bench.current) ?? ''}`).slice(0, 3)
  return []
})
const here = computed(() => {
  const asked = sheets.words
  return asked && 'screen' in asked ? termsIn(asked.screen) : []
})
const told = computed(() => [...first.value, ...TERMS.filter(t => t.id === opened.value && !first.value.includes(t))])
const list = computed(() => {
  const q = sought.value.trim().toLowerCase()
  return TERMS.filter(t => q === '' || [t.term, ...(t.also ?? []), t.text].some(w => w.toLowerCase().includes(q))).sort(
    (a, b) => a.term.localeCompare(b.term),
  )
})
</script>

<template>
  <Dialog :open="sheets.words !== null" class="relative z-50" @close="sheets.words = null">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 overflow-y-auto p-0 sm:p-6">
      <DialogPanel class="mx-auto w-full max-w-3xl border border-ink bg-paper p-5" data-test="words-sheet">
        <div class="flex items-baseline gap-3">
          <DialogTitle class="slab text-xl">{{ field ? field.label : 'Words' }}</DialogTitle>
          <button class="button quiet ml-auto" aria-label="Close" @click="sheets.words = null">×</button>
        </div>
        <p v-if="field" class="mb-2" data-test="why">
          {{ field.why }} <span class="hint">{{ field.range }}</span>
        </p>
        <article
          v-for="t in told"
          :key="t.id"
          class="my-2 flex flex-wrap gap-4 border-t border-line pt-2"
          data-test="told"
        >
          <div class="min-w-60 flex-1">
            <h3 class="group-title">{{ t.term }}</h3>
            <p>{{ t.text }}</p>
            <p v-if="t.also" class="hint">also: {{ t.also.join(', ') }}</p>
          </div>
          <div v-if="t.picture" class="w-60"><TermPicture :picture="t.picture" /></div>
        </article>
        <section v-if="here.length > 0" class="my-2 border-t border-line pt-2" data-test="here">
          <h3 class="group-title">On this screen</h3>
          <TermChoice v-model="opened" :terms="here" />
        </section>
        <section class="mt-3 border-t border-line pt-2">
          <h3 class="group-title">All words</h3>
          <input
            v-model="sought"
            class="input mb-2"
            type="search"
            aria-label="Look up a word"
            placeholder="Look up a word"
            data-test="word-search"
          />
          <TermChoice v-model="opened" :terms="list" data-test="all-words" />
          <p v-if="list.length === 0" class="hint">No word has that in it.</p>
        </section>
      </DialogPanel>
    </div>
  </Dialog>
</template>
