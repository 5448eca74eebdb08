<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FenceLine } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { addLead, changeBook } from '@/model/bookEdit'
import { useJob } from '@/model/jobStore'
import { lengthText, parseLengthM } from '@/shared/units'

/** Power that goes to or over a line without its being fence there: leads to other lines, a line that only feeds. */
const props = defineProps<{ line: FenceLine; others: FenceLine[] }>()
const job = useJob()
const to = ref('')
const reel = ref('')
const problem = ref('')
const leads = computed(() => props.line.book.leads)
const name = (id: string) => props.others.find((o) => o.id === id)?.name ?? 'a line that is gone'
/** As laid out: how long it came out. */
const lengthM = (id: string) => job.design?.layout.leads.find((l) => l.id === id)?.lengthM ?? null

function add() {
  const reelM = reel.value.trim() ? parseLengthM(reel.value, job.units) : null
  if (!to.value) problem.value = 'Say to which line the lead goes.'
  else if (reel.value.trim() && (reelM === null || reelM <= 0 || reelM > 2000))
    problem.value = `“${reel.value}” is not the length of a lead.`
  else {
    problem.value = ''
    job.change((p) => addLead(p, props.line.id, to.value, reelM))
    to.value = reel.value = ''
  }
}
const drop = (id: string) =>
  job.change((p) => changeBook(p, props.line.id, { leads: leads.value.filter((l) => l.id !== id) }))
</script>

<template>
  <section :aria-label="`Power of ${line.name}`">
    <h3 class="mt-4">Power <RuleChips :rules="['X3']" /></h3>
    <label class="check"
      ><input
        type="checkbox"
        :checked="line.book.feeder"
        data-test="feeder"
        @change="job.change((p) => changeBook(p, line.id, { feeder: !line.book.feeder }))"
      />
      {{ line.name }} is a feeder: it carries power only and keeps nothing in
    </label>
    <ul v-if="leads.length" class="plain">
      <li v-for="l in leads" :key="l.id" data-test="lead">
        lead to {{ name(l.toLineId)
        }}<template v-if="lengthM(l.id) !== null">, {{ lengthText(lengthM(l.id)!, job.units) }}</template
        ><template v-if="l.reelM !== null"> of {{ lengthText(l.reelM, job.units) }}</template>
        <button class="link" @click="drop(l.id)">remove</button>
      </li>
    </ul>
    <form v-if="others.length" class="row" @submit.prevent="add">
      <label
        >lead to
        <select v-model="to" data-test="lead-to">
          <option value="">a line …</option>
          <option v-for="o in others" :key="o.id" :value="o.id">{{ o.name }}</option>
        </select></label
      >
      <label
        >on a reel of <input v-model="reel" class="field" data-test="lead-reel" placeholder="any length"
      /></label>
      <v-btn type="submit" data-test="add-lead">Add</v-btn>
    </form>
    <p class="small quiet-text">
      Insulated wire with clips, hooked on where the two lines come nearest. The outer row of a double fence
      gets its bridge by itself.
    </p>
    <p v-if="problem" class="problems" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.check {
  display: block;
}
.plain {
  list-style: none;
  padding: 0;
  margin: 6px 0;
}
</style>
