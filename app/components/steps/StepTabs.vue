<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'

/** The parts of a step, one at a time. Each part is a slot by its id. */
defineProps<{ tabs: readonly { id: string, name: string }[], label: string }>()
const selected = defineModel<number>({ default: 0 })
</script>

<template>
  <TabGroup as="div" :selected-index="selected" @change="selected = $event">
    <TabList class="tabs" :aria-label="label">
      <Tab v-for="t in tabs" :key="t.id" v-slot="{ selected: on }" as="template">
        <button :class="{ on }" :data-test="`tab-${t.id}`">
          {{ t.name }}
        </button>
      </Tab>
    </TabList>
    <TabPanels>
      <TabPanel v-for="t in tabs" :key="t.id" class="outline-none focus-visible:outline-2">
        <slot :name="t.id" />
      </TabPanel>
    </TabPanels>
  </TabGroup>
</template>

<style scoped>
.tabs { display: flex; flex-wrap: wrap; gap: 0.15rem; padding: 0.35rem 1.1rem 0; border-bottom: 1px solid var(--line); }
.tabs button { padding: 0.15rem 0.7rem; border: 1px solid transparent; border-bottom: 0; border-radius: 4px 4px 0 0; cursor: pointer; }
.tabs button.on { border-color: var(--line); background: var(--paper); font-weight: 600; margin-bottom: -1px; }
</style>
