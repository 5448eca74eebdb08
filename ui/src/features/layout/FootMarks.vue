<script setup lang="ts">
import type { LineLayout } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { postSorts } from '@/model/layoutWords'
import { useMaterials } from '@/model/useMaterials'
import { tapedText } from '@/shared/units'

/** Where to mark posts before they are set: the ground and each wire, counted from the foot. */
defineProps<{ marks: LineLayout['marks'] }>()
const job = useJob()
const materials = useMaterials()
const stock = (id: string) => materials.value?.posts.find((p) => p.id === id)?.text ?? id
const taped = (metres: number) => tapedText(metres, job.units)
</script>

<template>
  <section aria-label="Marks from the foot">
    <h3>Marks from the foot <RuleChips :rules="['X5']" /></h3>
    <table class="sheet" data-test="foot-marks">
      <thead>
        <tr>
          <th>Posts</th>
          <th class="right">Ground</th>
          <th class="right">Wires, from the lowest</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="m in marks" :key="`${m.sort}-${m.stock}-${m.depthM}`">
          <td>{{ m.posts }} {{ postSorts[m.sort] }}, {{ stock(m.stock) }}</td>
          <td class="right number">{{ taped(m.depthM) }}</td>
          <td class="right">{{ m.wiresM.map(taped).join(' · ') }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
