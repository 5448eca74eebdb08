<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { FenceLine } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { addLead, changeBook } from '@/model/bookEdit'
import { useJob } from '@/model/jobStore'
import { placeAt } from '@/model/geometry'
import { lengthText, parseLengthM, stationText } from '@/shared/units'

/** Power that goes to or over a line without its being fence there: leads to other lines, a line that only feeds. */
const props = defineProps<{ line: FenceLine; others: FenceLine[] }>()
const job = useJob()
const to = ref('')
const reel = ref('')
const here = ref(false)
/** Where somebody points at on this line. */
const pointed = computed(() => {
  const laid = job.design?.layout.lines.find((l) => l.lineId === props.line.id)
  return laid && job.line?.lineId === props.line.id && job.cursorM !== null
    ? placeAt(props.line, laid, job.cursorM).at
    : null
})
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
    job.change((p) => addLead(p, props.line.id, to.value, reelM, here.value ? pointed.value : null))
    to.value = reel.value = ''
    here.value = false
  }
}
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const season = computed(() => props.line.book.season)
/** {@code 1 Apr}, as it is typed and shown. */
const day = (d: number, month: number) => `${d} ${months[month - 1]}`
function parsed(text: string): [number, number] | null {
  const m = /^(\d{1,2})\.?\s*([A-Za-z]{3})[a-z]*$/.exec(text.trim())
  const month = m ? months.findIndex((x) => x.toLowerCase() === m[2]!.toLowerCase()) + 1 : 0
  const d = Number(m?.[1])
  return month && d >= 1 && d <= new Date(2000, month, 0).getDate() ? [d, month] : null
}
const up = ref('')
const down = ref('')
watch(
  season,
  (s) => {
    up.value = s ? day(s.upDay, s.upMonth) : ''
    down.value = s ? day(s.downDay, s.downMonth) : ''
  },
  { immediate: true },
)
function setSeason() {
  problem.value = ''
  if (!up.value.trim() && !down.value.trim()) {
    job.change((p) => changeBook(p, props.line.id, { season: null }))
    return
  }
  if (!up.value.trim() || !down.value.trim()) return
  const from = parsed(up.value)
  const to = parsed(down.value)
  if (!from || !to) problem.value = `“${!from ? up.value : down.value}” is not a day such as 1 Apr.`
  else if (from.join() === to.join())
    problem.value = 'It goes up and comes down on one day: it would never be up.'
  else
    job.change((p) =>
      changeBook(p, props.line.id, {
        season: { upDay: from[0], upMonth: from[1], downDay: to[0], downMonth: to[1] },
      }),
    )
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
    <div class="row">
      <label
        >up on <RuleChips :rules="['X13']" />
        <input v-model="up" class="field" data-test="season-up" placeholder="all year" @change="setSeason"
      /></label>
      <label
        >down on
        <input
          v-model="down"
          class="field"
          data-test="season-down"
          placeholder="e.g. 31 Oct"
          @change="setSeason"
      /></label>
    </div>
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
      <label v-if="pointed" class="check"
        ><input v-model="here" type="checkbox" data-test="lead-here" /> from the cursor,
        {{ stationText(job.cursorM!, job.units) }}</label
      >
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
