<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'
</script>

<template>
  <th v-for="name in MONTH_NAMES" :key="name" scope="col">
    {{ name.slice(0, 3) }}
  </th>
</template>

<style scoped>
th {
  padding: 1px 4px;
  font-weight: 400;
  font-size: 0.85rem;
  color: var(--soft);
  text-align: center;
}
</style>
