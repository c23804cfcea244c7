<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'

/** The parts of a step, one at a time. Each part is a slot by its id. */
defineProps<{ tabs: readonly { id: string; name: string }[]; label: string }>()
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
