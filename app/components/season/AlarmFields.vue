<script setup lang="ts">
/** Limits that sound an alarm, and when they did. */
const season = useSeason()
const alarm = computed(() => season.book.written.alarm)
const put = (part: Partial<(typeof season.book.written)['alarm']>) => {
  void season.edit(w => ({ ...w, alarm: { ...w.alarm, ...part } }))
  return null
}
async function turnOn(on: boolean): Promise<void> {
  put({ on })
  if (on && typeof Notification !== 'undefined' && Notification.permission === 'default')
    await Notification.requestPermission().catch(() => null)
}
</script>

<template>
  <section data-test="alarm">
    <h2 class="group-title">
      Alarm <span class="hint font-sans font-normal">of the live reading, as long as this page is open</span>
    </h2>
    <div class="flex flex-wrap items-end gap-4">
      <SwitchField label="Alarm" :value="alarm.on" :set="on => void turnOn(on)" class="mb-5" />
      <QuantityField
        label="Colder inside than"
        quantity="temperature"
        :value="alarm.lowC"
        :min="-30"
        :max="30"
        :set="v => put({ lowC: v })"
        class="w-32"
      />
      <QuantityField
        label="Warmer inside than"
        quantity="temperature"
        :value="alarm.highC"
        :min="10"
        :max="60"
        :set="v => put({ highC: v })"
        class="w-32"
      />
      <SwitchField label="Sound" :value="alarm.sound" :set="sound => put({ sound })" class="mb-5" />
    </div>
    <ul v-if="alarm.log.length > 0" class="text-sm" data-test="alarm-log">
      <li v-for="(a, i) in alarm.log.slice(-5).reverse()" :key="i">{{ a.at.replace('T', ' ') }}: {{ a.what }}</li>
    </ul>
    <p class="hint">It rings here alone: a frost that matters needs a thermostat with an alarm of its own.</p>
  </section>
</template>
