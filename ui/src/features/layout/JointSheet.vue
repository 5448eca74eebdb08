<script setup lang="ts">
import { computed } from 'vue'
import { ask, client } from '@/api/client'
import type { Gate, Joint } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { changeGate, withSupply } from '@/model/planEdit'
import { announce } from '@/shared/announce'
import EntryField from '@/shared/EntryField.vue'
import { lengthText, parseLengthM, stationText } from '@/shared/units'
import { useMaterials } from '@/model/useMaterials'
import WiringDiagram from './WiringDiagram.vue'
import { jointKinds } from '@/model/layoutWords'
import { useWords } from '@/model/useWords'

const job = useJob()
const { say } = useWords()
const materials = useMaterials()
const drawn = computed(() => job.plan!.site.lines.find((l) => l.id === job.line?.lineId))
const joints = computed(() => (job.design?.layout.joints ?? []).filter((j) => j.lineId === job.line?.lineId))
/** One diagram of each sort; the list says where each stands. */
const sorts = computed(() => {
  const seen = new Map<string, { joint: Joint; stations: number[] }>()
  for (const j of joints.value) {
    const key = `${j.kind} ${j.kind === 'JUMPER' || j.kind === 'LINK' ? '' : j.name} ${j.says}`
    const known = seen.get(key)
    if (known) known.stations.push(j.stationM)
    else seen.set(key, { joint: j, stations: [j.stationM] })
  }
  return [...seen.values()]
})
const change = (id: string, part: Partial<Gate>) =>
  job.change((p) => changeGate(p, job.line!.lineId, id, part))
function opening(id: string, e: Event) {
  const metres = parseLengthM((e.target as HTMLInputElement).value, job.units)
  if (metres !== null && metres >= 0.3 && metres <= 100) change(id, { openingM: metres })
}
const cabled = (g: Gate) => ['SWING', 'SLIDING', 'SPRING_SET', 'CREEK', 'HANDLE'].includes(g.kind)
const rigid = (g: Gate) => ['SWING', 'SLIDING', 'RIGID'].includes(g.kind)
const word = (e: Event) => (e.target as HTMLSelectElement).value

async function advise() {
  const { advice } = await ask(client.POST('/api/cut-out', { body: { plan: job.plan!, land: job.land! } }))
  if (!advice) {
    announce('No further cut-out would part the longest section.')
    return
  }
  job.change((p) => ({ ...p, site: advice.site }))
  job.lineId = advice.lineId
  job.cursorM = advice.stationM
  announce(
    `A cut-out at ${stationText(advice.stationM, job.units)} leaves at most ${stationText(advice.longestAfterM, job.units)} of ${stationText(advice.longestBeforeM, job.units)} in one section.`,
  )
}
</script>

<template>
  <div v-if="job.line && drawn">
    <h2>Gates and crossings of {{ drawn.name }} <RuleChips :rules="['J2', 'J3', 'J5', 'J8']" /></h2>
    <p v-if="drawn.gates.length === 0" class="small quiet-text">
      None. Press G on the plan and click the line.
    </p>
    <table v-else class="sheet">
      <thead>
        <tr>
          <th>Gate</th>
          <th>Kind</th>
          <th>Opening</th>
          <th>Hangs from</th>
          <th>Options</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="g in drawn.gates" :key="g.id">
          <td>
            <EntryField
              :value="g.name"
              aria-label="Name"
              class="field"
              @change="change(g.id, { name: ($event.target as HTMLInputElement).value || g.name })"
            />
          </td>
          <td>
            <select
              :value="g.kind"
              :aria-label="`Kind of ${g.name}`"
              :data-test="`gate-kind-${g.id}`"
              @change="change(g.id, { kind: word($event) as Gate['kind'] })"
            >
              <option v-for="k in materials?.gates" :key="k.id" :value="k.id">{{ k.text }}</option>
            </select>
          </td>
          <td>
            <EntryField
              :value="lengthText(g.openingM, job.units)"
              :aria-label="`Opening of ${g.name}`"
              class="field short"
              @change="opening(g.id, $event)"
            />
          </td>
          <td>
            <select
              :value="g.hangs ?? ''"
              :aria-label="`${g.name} hangs from`"
              @change="change(g.id, { hangs: (word($event) || null) as Gate['hangs'] })"
            >
              <option value="">automatic</option>
              <option value="FIRST">its first post</option>
              <option value="LAST">its last post</option>
            </select>
          </td>
          <td class="besides">
            <label
              ><input
                type="checkbox"
                :checked="g.fit.acrossCorner"
                :data-test="`gate-corner-${g.id}`"
                @change="change(g.id, { fit: { ...g.fit, acrossCorner: !g.fit.acrossCorner } })"
              />
              across the corner</label
            >
            <label v-if="cabled(g)"
              ><input
                type="checkbox"
                :checked="g.fit.hotOnly"
                :data-test="`gate-hot-only-${g.id}`"
                @change="change(g.id, { fit: { ...g.fit, hotOnly: !g.fit.hotOnly } })"
              />
              {{ say('no cable for earth wires') }}</label
            >
            <label v-if="rigid(g)"
              ><input
                type="checkbox"
                :checked="g.fit.netting"
                @change="change(g.id, { fit: { ...g.fit, netting: !g.fit.netting } })"
              />
              netting on the leaf</label
            >
          </td>
        </tr>
      </tbody>
    </table>
    <h2 class="mt-6">Cut-outs <RuleChips :rules="['J4', 'J9']" /></h2>
    <p>
      <v-btn data-test="advise-cut-out" @click="advise"
        >Place one where it halves the longest section best</v-btn
      >
    </p>
    <label class="check"
      ><input
        type="checkbox"
        :checked="job.plan!.spec.supply.leadOutSwitch"
        data-test="lead-out-switch"
        @change="job.change((p) => withSupply(p, { leadOutSwitch: !p.spec.supply.leadOutSwitch }))" />
      a switch in the lead-out, beside the gate <RuleChips :rules="['X7']"
    /></label>
    <h2 class="mt-6">Jumpers and links <RuleChips :rules="['J1']" /></h2>
    <p class="small quiet-text">
      Wires are numbered from the ground up. Solid hot with solid hot,
      {{ say('dashed earth with dashed earth') }}; energizer off and isolated before hands go on the wire.
    </p>
    <div v-for="(s, i) in sorts" :key="i" class="sort" data-test="joint">
      <WiringDiagram :joint="s.joint" :line="job.line" />
      <div>
        <b>{{ jointKinds[s.joint.kind] }}{{ s.joint.name === 'jumper set' ? '' : ` · ${s.joint.name}` }}</b>
        <p class="small">{{ s.joint.says }}</p>
        <p class="small">
          at
          <button v-for="m in s.stations.slice(0, 40)" :key="m" class="link" @click="job.cursorM = m">
            {{ stationText(m, job.units) }}</button><template v-if="s.stations.length > 40">
            and {{ s.stations.length - 40 }} more</template
          >
        </p>
      </div>
    </div>
  </div>
  <p v-else class="quiet-text">Nothing laid out yet.</p>
</template>

<style scoped>
td:nth-child(4) select {
  min-width: 106px;
}
.besides label {
  display: block;
  white-space: nowrap;
  font-size: 12.5px;
}
.sort {
  display: grid;
  grid-template-columns: 250px 1fr;
  gap: 14px;
  border-bottom: 1px dotted var(--rule);
  padding: 8px 0;
}
.link {
  color: var(--accent);
  text-decoration: underline;
  margin-right: 8px;
}
select,
.field {
  width: 100%;
  box-sizing: border-box;
  border: 1px solid var(--rule);
  padding: 3px 4px;
  background: var(--paper);
  color: var(--ink);
}
.short {
  width: 84px;
}
p {
  margin: 4px 0;
}
</style>
