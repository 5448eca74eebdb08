<script setup lang="ts">
import type { Certificate } from '@/api/types'
import { calendarText, kvText } from '@/shared/units'

/** A certificate as it was signed. */
defineProps<{ certificate: Certificate }>()
const met = { MET: 'met', WARN: 'weak', BROKEN: 'broken', OPEN: 'not told' }
const WIDE = 640
const HIGH = 120
type Curve = Certificate['curves'][number]
const most = (c: Curve, needV: number | null) =>
  Math.max(1000, needV ?? 0, ...c.points.map((p) => p.highV), ...c.marks.map((m) => m.peakV)) * 1.1
const x = (c: Curve, m: number) => 26 + (WIDE - 32) * (c.lengthM > 0 ? m / c.lengthM : 0)
const y = (c: Curve, needV: number | null, v: number) => HIGH - 6 - ((HIGH - 14) * v) / most(c, needV)
const band = (c: Curve, needV: number | null) =>
  [
    ...c.points.map((p) => `${x(c, p.stationM)},${y(c, needV, p.highV)}`),
    ...c.points.toReversed().map((p) => `${x(c, p.stationM)},${y(c, needV, p.lowV)}`),
  ].join(' ')
const likely = (c: Curve, needV: number | null) =>
  c.points.map((p) => `${x(c, p.stationM)},${y(c, needV, p.likelyV)}`).join(' ')
</script>

<template>
  <article class="certificate" data-test="certificate">
    <header>
      <h2>Commissioning certificate {{ certificate.number }}</h2>
      <p>
        {{ certificate.job }} · {{ certificate.property }} · for {{ certificate.client }}<br />
        Signed by {{ certificate.signedBy }}, {{ calendarText(certificate.signedOn) }}, plan revision
        {{ certificate.planRevision }}, {{ certificate.energizer }}
      </p>
    </header>
    <p class="verdict" :class="{ bad: !certificate.inOrder }" data-test="certificate-verdict">
      {{ certificate.verdict }}
    </p>
    <p class="small quiet-text">{{ certificate.need }}.</p>
    <h3>Sections</h3>
    <table class="sheet">
      <tbody>
        <tr v-for="s in certificate.sections" :key="s.name">
          <td>
            <b>{{ s.name }}</b>
          </td>
          <td class="right">{{ s.length }}</td>
          <td class="right number">{{ s.peakV === null ? '–' : `${kvText(s.peakV)} kV` }}</td>
          <td class="standing" :class="s.standing">{{ met[s.standing] }}</td>
          <td class="small quiet-text">{{ s.why }}</td>
        </tr>
      </tbody>
    </table>
    <h3>Voltage along the lines</h3>
    <figure v-for="c in certificate.curves" :key="c.name">
      <figcaption class="small">
        <b>{{ c.name }}</b>
      </figcaption>
      <svg :viewBox="`0 0 ${WIDE} ${HIGH}`" role="img" :aria-label="`${c.name}: expected and read voltages`">
        <polygon class="band" :points="band(c, certificate.needV)" />
        <polyline class="likely" :points="likely(c, certificate.needV)" />
        <line
          v-if="certificate.needV !== null"
          class="need"
          :x1="26"
          :x2="WIDE - 6"
          :y1="y(c, certificate.needV, certificate.needV)"
          :y2="y(c, certificate.needV, certificate.needV)"
        />
        <circle
          v-for="(m, i) in c.marks"
          :key="i"
          r="3.4"
          :cx="x(c, m.stationM)"
          :cy="y(c, certificate.needV, m.peakV)"
        />
        <line class="axis" x1="26" :x2="WIDE - 6" :y1="HIGH - 6" :y2="HIGH - 6" />
      </svg>
    </figure>
    <h3>Readings</h3>
    <div class="scroll">
      <table class="sheet">
        <thead>
          <tr>
            <th>Place</th>
            <th>What</th>
            <th class="right">Read</th>
            <th class="right">Expected</th>
            <th>Need</th>
            <th>Prediction</th>
            <th>When, by whom</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, i) in certificate.readings" :key="i">
            <td>{{ i > 0 && certificate.readings[i - 1]!.point === r.point ? '' : r.point }}</td>
            <td>{{ r.what }}</td>
            <td class="right number">{{ r.read }}</td>
            <td class="right quiet-text">{{ r.expected }}</td>
            <td class="standing" :class="r.need">{{ r.need === 'OPEN' ? '' : met[r.need] }}</td>
            <td class="small" :title="r.says">{{ r.off }}</td>
            <td class="small quiet-text">{{ r.when }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="certificate.found.length">
      <h3>What the readings say of the fence</h3>
      <p>{{ certificate.leaks }}</p>
    </template>
    <h3>Looked at before power</h3>
    <ul class="checks">
      <li v-for="(k, i) in certificate.checks" :key="i" :class="{ open: !k.inOrder }">
        {{ k.text }}
        <span class="small quiet-text"
          >{{ k.done ? (k.inOrder ? '' : `left open: ${k.reason}; `) : 'not looked at' }}{{ k.by }}
          {{ k.when }}</span
        >
      </li>
    </ul>
    <h3>What the owner does</h3>
    <ul>
      <li v-for="t in certificate.ownerDoes" :key="t">{{ t }}</li>
    </ul>
  </article>
</template>

<style scoped>
.certificate {
  border: 1px solid var(--rule-strong);
  padding: 16px 22px;
  background: var(--paper);
}
.verdict {
  border: 2px solid var(--met);
  padding: 6px 10px;
  font-size: 16px;
}
.verdict.bad {
  border-color: var(--broken);
}
h3 {
  margin: 16px 0 4px;
}
figure {
  margin: 4px 0;
  max-width: 900px;
}
svg {
  display: block;
  width: 100%;
}
.band {
  fill: var(--rule);
  fill-opacity: 0.6;
}
.likely {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.need {
  stroke: var(--ink);
  stroke-dasharray: 5 4;
}
.axis {
  stroke: var(--rule-strong);
}
.scroll {
  overflow-x: auto;
}
.checks li.open {
  color: var(--broken);
}
@media (max-width: 760px) {
  .certificate {
    padding: 8px 10px;
  }
}
</style>
