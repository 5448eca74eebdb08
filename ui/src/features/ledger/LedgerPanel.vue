<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Finding } from '@/api/types'
import { useWeakest } from '@/model/useWeakest'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { useRoom } from '@/model/room'
import EveryJobCard from '@/components/EveryJobCard.vue'
import { useComputation } from '@/model/computation'
import { perLengthText, wholeMoneyText } from '@/shared/money'
import { stationText } from '@/shared/units'

const job = useJob()
const computation = useComputation()
const open = ref<string | null>(null)
const weakest = useWeakest()
const figures = computed(() => {
  const all = [...(job.design?.ledger ?? [])]
  const price = computation.price
  if (price)
    all.splice(1, 0, {
      key: 'price',
      label: 'Price before tax',
      value: wholeMoneyText(price.net, price.currency),
      note: [
        price.perMetre === null ? '' : perLengthText(price.perMetre, price.currency, job.units),
        price.unpriced ? `${price.unpriced} without a price` : '',
      ]
        .filter(Boolean)
        .join('; '),
      derivation:
        'Packs at the lowest prices of the book, hours by the house’s norms and rates, travel, overhead, contingency and margin; each step stands on the sheet Price of the takeoff.',
      rules: [],
    })
  if (weakest.value) all.splice(all.findIndex((f) => f.key === 'wire') + 1, 0, weakest.value)
  return all
})
const order = { WARN: 0, CAUTION: 1, NOTE: 2 }
const findings = computed(() =>
  [...(job.design?.layout.findings ?? [])].sort((a, b) => order[a.severity] - order[b.severity]),
)
const room = useRoom()
/** As the figure says it: what was accepted is not counted. */
const toFix = computed(() => Number(figures.value.find((f) => f.key === 'findings')?.value ?? 0))
const stripFigures = computed(() => figures.value.filter((f) => f.key !== 'findings'))
const words = { WARN: 'fix', NOTE: 'note', CAUTION: 'caution' }

function goTo(f: Finding) {
  if (f.lineId === null) return
  job.lineId = f.lineId
  job.cursorM = f.stationM
}
</script>

<template>
  <aside class="panel no-print" aria-label="Ledger">
    <header>
      <h2>Ledger</h2>
      <button
        class="fold"
        :aria-expanded="room.ledgerOpen"
        :aria-label="room.ledgerOpen ? 'Fold the ledger' : 'Unfold the ledger'"
        :title="room.ledgerOpen ? 'fold to the figures' : 'unfold'"
        data-test="ledger-fold"
        @click="room.toggleLedger()"
      >
        {{ room.ledgerOpen ? '›' : '‹' }}
      </button>
    </header>
    <template v-if="!room.ledgerOpen">
      <button
        v-if="figures.length"
        class="to-fix"
        data-test="figure-findings"
        title="unfold the ledger to its findings"
        @click="room.toggleLedger()"
      >
        <b v-if="job.problem">problem</b>
        <b v-else
          ><span class="value">{{ toFix }}</span> to fix</b
        >
      </button>
      <dl class="strip-figures">
        <div
          v-for="f in stripFigures"
          :key="f.key"
          :title="`${f.label}: ${f.note}`"
          :data-test="`figure-${f.key}`"
        >
          <dt>{{ f.label }}</dt>
          <dd class="value">{{ f.value }}</dd>
        </div>
      </dl>
    </template>
    <template v-else>
      <p v-if="job.problem" class="problem" role="alert">{{ job.problem }}</p>
      <p v-if="figures.length === 0" class="quiet-text">Nothing laid out yet.</p>
      <div class="figures">
        <div v-for="f in figures" :key="f.key" class="figure" :data-test="`figure-${f.key}`">
          <button :aria-expanded="open === f.key" @click="open = open === f.key ? null : f.key">
            <span class="label">
              {{ f.label }}<small>{{ f.note }}</small>
            </span>
            <span class="value">{{ f.value }}</span>
          </button>
          <p v-if="open === f.key" class="why">{{ f.derivation }} <RuleChips :rules="f.rules" /></p>
        </div>
      </div>
      <EveryJobCard class="every-job" />
      <ul class="findings" aria-label="Findings">
        <li v-for="(f, i) in findings" :key="i" :class="f.severity">
          <button :disabled="f.lineId === null" @click="goTo(f)">
            <b
              >{{ words[f.severity]
              }}<template v-if="f.stationM !== null">
                at {{ stationText(f.stationM, job.units) }}</template
              ></b
            >
            {{ f.message }}
            <span v-if="f.places.length > 1" class="quiet-text">{{ f.places.length }} places</span>
          </button>
          <RuleChips :rules="[f.rule]" />
        </li>
      </ul>
      <p v-if="findings.length" class="small quiet-text">Local code and licensed people decide.</p>
    </template>
  </aside>
</template>

<style scoped>
.panel {
  padding: 10px 12px 20px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.fold {
  font-size: 22px;
  line-height: 1;
}
.strip-figures {
  margin: 4px 0 0;
}
.strip-figures div {
  padding: 5px 0;
  border-bottom: 1px dotted var(--rule);
}
.strip-figures dt {
  font-size: 12px;
  line-height: 1.15;
  color: var(--quiet);
}
.strip-figures dd {
  margin: 0;
  font:
    600 18px/1.15 'Barlow Condensed',
    sans-serif;
  overflow-wrap: anywhere;
}
.to-fix {
  margin: 4px 0 2px;
  width: 100%;
  text-align: left;
  padding: 4px 6px;
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
}
.figure {
  border-bottom: 1px dotted var(--rule);
}
.figure button {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  width: 100%;
  text-align: left;
  padding: 5px 0;
  color: var(--ink);
}

.label small {
  display: block;
  color: var(--quiet);
  font-size: 12px;
  line-height: 1.25;
}
.value {
  font:
    600 20px/1.15 'Barlow Condensed',
    sans-serif;
  white-space: nowrap;
  margin: 0;
}
.why {
  font-size: 12.5px;
  background: var(--band);
  padding: 6px 8px;
  margin: 0 0 6px;
  overflow-wrap: anywhere;
}
.problem {
  border-left: 4px solid var(--broken);
  padding: 6px 8px;
  color: var(--broken);
  font-weight: 700;
}
.every-job {
  margin-top: 12px;
}
.findings {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
.findings li {
  font-size: 12.5px;
  border-left: 4px solid var(--rule);
  padding: 4px 8px;
  margin-bottom: 5px;
  background: var(--band);
}
.findings li.WARN {
  border-left-color: var(--accent);
  background: var(--accent-wash);
}
.findings li.CAUTION {
  border-left-color: var(--ink);
}
.findings button {
  text-align: left;
  color: var(--ink);
}
.findings button:disabled {
  cursor: default;
}
</style>
