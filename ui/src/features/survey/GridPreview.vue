<script setup lang="ts">
import type { GridRef } from '@/api/types'

defineProps<{ grid: GridRef; busy: boolean }>()
const emit = defineEmits<{ take: []; leave: [] }>()
</script>

<template>
  <div data-test="grid-preview">
    <h2>A terrain grid</h2>
    <p class="quiet-text">Nothing is stored yet.</p>
    <table class="sheet">
      <tbody>
        <tr>
          <td>cells</td>
          <td class="right number">{{ grid.columns }} × {{ grid.rows }}</td>
        </tr>
        <tr>
          <td>heights</td>
          <td class="right number">{{ grid.lowestM.toFixed(1) }} to {{ grid.highestM.toFixed(1) }} m</td>
        </tr>
        <tr>
          <td>cells without a height</td>
          <td class="right number">{{ grid.gaps }}</td>
        </tr>
        <tr>
          <td>from, to</td>
          <td class="right">
            {{ grid.westDeg.toFixed(4) }}, {{ grid.southDeg.toFixed(4) }}<br />{{ grid.eastDeg.toFixed(4) }},
            {{ grid.northDeg.toFixed(4) }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet-text">Where the grid has no height the ribbon says so; nothing is made up.</p>
    <v-btn class="strong mr-2" data-test="take-grid" :disabled="busy" @click="emit('take')"
      >Put it under the plan</v-btn
    >
    <v-btn @click="emit('leave')">Cancel</v-btn>
  </div>
</template>
