<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { ask, client } from '@/api/client'
import type { TakeoffLine } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { useParts } from '@/model/useParts'
import { useWords } from '@/model/useWords'
import { moneyText } from '@/shared/money'
import { countText, lengthText, massText, massUnit, stationText } from '@/shared/units'

const job = useJob()
const { say } = useWords()
const parts = useParts()
/** Under the headings that the core gives, so that nothing it counts is left out. */
const sheets = computed(() => {
  const lines = (parts.stretch ? parts.along : job.design?.takeoff) ?? []
  return [...new Set(lines.map((l) => l.group))].map((title) => ({
    title,
    lines: lines.filter((l) => l.group === title),
  }))
})
const amount = (l: TakeoffLine, n: number) => (l.unit === 'm' ? lengthText(n, job.units) : countText(n))
/** What the fence takes; what rules add to it stands beside. */
const counted = (l: TakeoffLine) => amount(l, l.quantity - l.spare)
const spare = (l: TakeoffLine) => (l.spare > 0 ? `+ ${amount(l, l.spare)} spare` : '')
const load = (l: TakeoffLine) => {
  if (!l.pack) return ''
  const size = l.unit === 'm' ? lengthText(l.pack.size, job.units) : countText(l.pack.size)
  return `${l.pack.count} ${l.pack.name}${l.pack.count === 1 ? '' : 's'} of ${size}`
}
const whole = computed(() => {
  const s = parts.stretch
  if (!s) return ''
  const name = job.design?.layout.lines.find((l) => l.lineId === s.lineId)?.name ?? s.lineId
  return `${name} from ${stationText(s.fromM, job.units)} to ${stationText(s.toM, job.units)}`
})
onUnmounted(() => {
  void parts.point(null)
  parts.stretch = null
})
/** Of the stretch that was dragged, bought for itself. */
const stretchCost = ref('')
watch(
  () => parts.along,
  async () => {
    const s = parts.stretch
    stretchCost.value = ''
    if (!s || !job.plan || !job.land || !parts.along?.length) return
    try {
      const found = await ask(
        client.POST('/api/price/stretch', { body: { plan: job.plan, land: job.land, ...s } }),
      )
      if (parts.stretch === s && found.material > 0)
        stretchCost.value = moneyText(found.material, found.currency)
    } catch {
      stretchCost.value = ''
    }
  },
)
const tools = computed(() => job.design?.tools ?? [])
/** Of all lines whose mass is known. */
const mass = computed(() => (job.design?.takeoff ?? []).reduce((sum, l) => sum + (l.massKg ?? 0), 0))
const print = () => window.print()
</script>

<template>
  <div class="takeoff">
    <header>
      <h1>Takeoff</h1>
      <span class="quiet-text">{{
        [job.name, job.clientName, job.property].filter(Boolean).join(' · ')
      }}</span>
      <span class="spring" />
      <nav class="no-print" aria-label="Files">
        <a :href="`/api/jobs/${job.id}/takeoff.csv`" data-test="takeoff-csv">CSV</a>
        <a :href="`/api/jobs/${job.id}/job.geojson`" data-test="export-job">Job file</a>
        <a :href="`/api/jobs/${job.id}/layout.geojson`">Posts, GeoJSON</a>
        <a :href="`/api/jobs/${job.id}/strong-posts.gpx`">Strong posts, GPX</a>
        <button class="link" @click="print">Print</button>
      </nav>
    </header>
    <p v-if="parts.stretch" class="stretch" data-test="stretch">
      Only what lies on <b>{{ whole }}</b>: counted where it stands, without packs.<template
        v-if="stretchCost"
      >
        Its material alone costs <b data-test="stretch-cost">{{ stretchCost }}</b>, bought for
        itself.</template
      >
      <button class="link" data-test="whole-fence" @click="parts.stretch = null">the whole fence</button>
    </p>
    <p v-else class="quiet-text no-print hint">
      Point at a line and its parts light up; drag along the ribbon to see what a stretch takes.
    </p>
    <p v-if="job.design && sheets.length === 0" class="empty">Nothing to load yet: lay out a line first.</p>
    <table v-else-if="sheets.length" class="sheet">
      <template v-for="g in sheets" :key="g.title">
        <thead>
          <tr>
            <th>{{ g.title }}</th>
            <th class="right">Counted</th>
            <template v-if="!parts.stretch">
              <th>To load</th>
              <th class="right">{{ massUnit(job.units) }}</th>
              <th>How it was counted</th>
            </template>
            <th>Rules</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="l in g.lines"
            :key="l.item"
            :data-test="`item-${l.item}`"
            tabindex="0"
            @pointerenter="parts.point(l)"
            @pointerleave="parts.point(null)"
            @focus="parts.point(l)"
            @blur="parts.point(null)"
          >
            <td class="name">{{ l.name }}</td>
            <td class="right number big">
              {{ counted(l) }} <span class="spare">{{ spare(l) }}</span>
            </td>
            <template v-if="!parts.stretch">
              <td class="load">{{ load(l) }}</td>
              <td class="right number">{{ l.massKg === null ? '' : massText(l.massKg, job.units) }}</td>
              <td class="why">{{ l.derivation }}</td>
            </template>
            <td><RuleChips :rules="l.rules" /></td>
          </tr>
        </tbody>
      </template>
    </table>
    <section v-if="!parts.stretch && tools.length" class="tools" aria-label="Tools to carry">
      <h2>Tools to carry</h2>
      <p class="small quiet-text">By what the takeoff holds; common practice.</p>
      <ul>
        <li v-for="t in tools" :key="t" data-test="tool">{{ say(t) }}</li>
      </ul>
    </section>
    <p class="quiet-text foot">
      <template v-if="mass > 0 && !parts.stretch"
        >Wire, posts and concrete weigh {{ massText(mass, job.units) }} {{ massUnit(job.units) }}: length
        times the mass per length, bags as they are sold. </template
      >Pack sizes are common ones; ask your supplier. Spares stand beside the count where a rule asks for
      them. Measure again on the first day before material is cut.
    </p>
  </div>
</template>

<style scoped>
.takeoff {
  padding-bottom: 16px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: baseline;
  margin-bottom: 8px;
}
.spring {
  flex: 1;
}
nav {
  display: flex;
  gap: 14px;
}
.link {
  color: var(--accent);
  text-decoration: underline;
}
thead th {
  padding-top: 16px !important;
}
.tools ul {
  columns: 2 320px;
  padding-left: 18px;
  margin: 4px 0 12px;
}
.stretch,
.hint {
  margin: 2px 0 6px;
}
tbody tr:hover,
tbody tr:focus {
  background: var(--band);
}
.name {
  font-weight: 700;
  min-width: 150px;
}
.big {
  font-size: 18px;
  white-space: nowrap;
}
.spare {
  display: block;
  font-size: 12.5px;
  color: var(--quiet);
}
.load {
  white-space: nowrap;
}
.why {
  color: var(--quiet);
  font-size: 13px;
}
.empty {
  padding: 40px 0;
  font-size: 16px;
}
.foot {
  margin-top: 14px;
  max-width: 720px;
}
@media (max-width: 760px) {
  table.sheet,
  table.sheet thead,
  table.sheet tbody {
    display: block;
    overflow: visible;
  }
  thead tr,
  tbody tr {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    border-bottom: 1px solid var(--rule);
  }
  thead th:nth-child(n + 3) {
    display: none;
  }
  tbody td {
    border: 0 !important;
    padding: 4px 0 !important;
    overflow-wrap: anywhere;
  }
  tbody td.spare {
    display: block;
    font-size: 12.5px;
    color: var(--quiet);
  }
  .load {
    grid-column: 1 / -1;
    grid-row: 2;
    font-weight: 700;
  }
  tbody td.load:empty {
    display: none;
  }
  tbody td.why {
    grid-column: 1;
  }
}
</style>
