<script setup lang="ts">
import type { TapeRow } from '@/api/types'

defineProps<{ rows: TapeRow[] }>()
const emit = defineEmits<{ take: []; leave: [] }>()
</script>

<template>
  <div data-test="tape-preview">
    <h2>A tape sheet</h2>
    <p class="quiet-text">Nothing is stored yet. {{ rows.length }} measures:</p>
    <table class="sheet">
      <tbody>
        <tr v-for="(r, i) in rows.slice(0, 30)" :key="i">
          <td>{{ r.from }}–{{ r.to }}</td>
          <td class="right number">{{ r.length }}</td>
          <td class="quiet-text">{{ r.note }}</td>
        </tr>
      </tbody>
    </table>
    <v-btn class="strong mr-2 mt-3" data-test="take-tape" @click="emit('take')">Add to the tape book</v-btn>
    <v-btn class="mt-3" @click="emit('leave')">Cancel</v-btn>
  </div>
</template>
