<script setup lang="ts">
import type { FanAnswer } from '../../../core/fan-answers'
import { FANS, type AnyFan } from '../../../core/fans/registry'

/** What moves air by power. */
const year = useYear()
const settings = useSettings()
const figures = (a: FanAnswer) =>
  a.hours === 0
    ? 'It never runs this year.'
    : `Runs in ${a.hours} hours of the year, uses ${settings.show(a.kWh * 3.6e6, 'energy')}.`
const idle = (f: AnyFan) => (f.kind === 'circulating fan' && f.runs !== 'warm' ? ['aboveC'] : [])
const { open, listed, fields, add, duplicate, takeOut, set } = useDevices(
  'breathe.fans',
  'fan',
  FANS,
  () => year.view?.answers.fans,
  figures,
  idle,
)
</script>

<template>
  <KindList
    v-model="open"
    title="Fans"
    hint="air that is moved by power"
    empty="None: air moves by warmth and wind."
    one="fan"
    :items="listed"
    :kinds="FANS.all"
    :fields="fields"
    :set="set"
    @add="add"
    @duplicate="duplicate"
    @take-out="takeOut"
  />
</template>
