<script setup lang="ts">
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import type { LineBook, Post } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { announce } from '@/shared/announce'
import { forceText, lengthText, parseLengthM } from '@/shared/units'
import { holdWords, postKinds } from '@/model/layoutWords'
import { changeBook, changeLine, setStanding } from '@/model/bookEdit'
import PostElevation from './PostElevation.vue'
import PostException from './PostException.vue'
import WireEndCheck from './WireEndCheck.vue'
import { useMaterials } from '@/model/useMaterials'

const job = useJob()
const materials = useMaterials()
const line = computed(() => job.line)
const drawn = computed(() => job.plan!.site.lines.find((l) => l.id === line.value?.lineId))
const nearest = (stationM: number): Post | undefined =>
  line.value?.posts.reduce((a, b) =>
    Math.abs(b.stationM - stationM) < Math.abs(a.stationM - stationM) ? b : a,
  )
const post = computed(() => (line.value ? nearest(job.cursorM ?? 0) : undefined))
const stock = (id: string) => materials.value?.posts.find((p) => p.id === id)?.text ?? id
const braces = computed(() =>
  (line.value?.braces ?? []).filter((b) => Math.abs(b.strongStationM - (post.value?.stationM ?? -1)) < 0.06),
)
/** On the day of building, and at the worst load where that is more. */
function loads(dayN: number, worstN: number) {
  const [day, worst] = [forceText(dayN, job.units), forceText(worstN, job.units)]
  return day === worst ? day : `${day}, ${worst} at the worst,`
}
const at = (p: Post) => [p.lonDeg, p.latDeg]

/** A post that stands otherwise. */
const depth = ref('')
const refused = ref('')
function stand() {
  const metres = parseLengthM(depth.value, job.units)
  if (metres === null || metres < 0 || metres > 5 || !post.value) {
    refused.value = 'Say how deep the post really stands.'
    return
  }
  refused.value = ''
  job.change((p) => setStanding(p, line.value!.lineId, at(post.value!), metres, 'as set'))
  depth.value = ''
}
function issue() {
  const issued = line.value!.posts.map((p) => ({ number: p.number, at: at(p) }))
  job.change((p) => changeBook(p, line.value!.lineId, { issued }))
  announce(`${issued.length} post numbers now stay with their posts.`)
}
async function turn(zeroCornerId: string | null) {
  const turned = await ask(client.POST('/api/turned', { body: { line: drawn.value!, zeroCornerId } }))
  job.cursorM = null
  job.change((p) => changeLine(p, turned.id, () => turned))
}
</script>

<template>
  <div v-if="line && drawn">
    <template v-if="post">
      <h2 data-test="post-title">
        {{ postKinds[post.kind] }} {{ post.number }}{{ post.label ? ` · ${post.label}` : '' }}
      </h2>
      <p class="small quiet-text">
        station {{ lengthText(post.stationM, job.units) }} · step with <kbd>,</kbd> and <kbd>.</kbd>
      </p>
      <PostElevation :post="post" :wires="line.schedule.wires" :braces="braces" :units="job.units" />
      <dl>
        <dt>{{ post.reused ? 'Found' : 'Cut from' }}</dt>
        <dd>
          {{ stock(post.stock) }}, {{ lengthText(post.stockM, job.units) }} (needs
          {{ lengthText(post.lengthM, job.units) }})
        </dd>
        <dt>Lifted by</dt>
        <dd>
          {{ Math.abs(post.load.upliftN) < 1 ? 'nothing' : loads(post.load.upliftN, post.load.upliftWorstN) }}
          <template v-if="post.load.upliftN < -1">(pressed down)</template>
          <span class="quiet-text">of {{ forceText(post.load.holdUpN, job.units) }} held</span>
        </dd>
        <dt>Pushed by</dt>
        <dd>
          {{ post.load.sideN < 1 ? 'nothing' : loads(post.load.sideN, post.load.sideWorstN) }}
          <span class="quiet-text">of {{ forceText(post.load.holdSideN, job.units) }} held</span>
        </dd>
        <dt>The ground</dt>
        <dd :class="{ weak: post.load.holdWorst === 'MOVES' }">
          {{ post.kind === 'TIE_DOWN' ? 'takes a tie-down, then ' : '' }}{{ holdWords[post.load.hold]
          }}<template v-if="post.load.holdWorst !== post.load.hold"
            >, {{ holdWords[post.load.holdWorst] }} at the worst load</template
          >&ensp;<RuleChips :rules="['P18', 'B8', 'B9']" />
        </dd>
      </dl>
      <form class="pair" @submit.prevent="stand">
        <label
          >As built <RuleChips :rules="['P14']" />
          <input
            v-model="depth"
            :placeholder="job.units === 'METRIC' ? 'depth, e.g. 560 mm' : 'depth, e.g. 22 in'"
            data-test="stands-deep"
          />
        </label>
        <v-btn type="submit" data-test="record-depth">Record</v-btn>
      </form>
    </template>
    <WireEndCheck v-if="post" :station-m="post.stationM" />
    <p v-if="refused" class="weak" role="alert">{{ refused }}</p>
    <PostException :post="post ?? null" />
    <h3>Numbers and stations</h3>
    <p class="small quiet-text">
      {{
        drawn.book.issued.length
          ? `${drawn.book.issued.length} numbers are given: they stay with their posts whatever is laid out anew.`
          : 'Numbers run from the start until you give them to the posts.'
      }}
    </p>
    <div class="buttons">
      <v-btn data-test="issue-numbers" @click="issue">Number the posts</v-btn>
      <v-btn
        v-if="drawn.book.issued.length"
        @click="job.change((p) => changeBook(p, line!.lineId, { issued: [] }))"
        >Renumber</v-btn
      >
      <v-btn data-test="reverse" @click="turn(null)">Station from the other end</v-btn>
    </div>
    <label v-if="drawn.closed"
      >Station 0 at corner
      <select
        :value="drawn.corners[0]!.id"
        data-test="zero-corner"
        @change="turn(($event.target as HTMLSelectElement).value)"
      >
        <option v-for="c in drawn.corners" :key="c.id" :value="c.id">{{ c.id }}</option>
      </select>
    </label>
    <label class="check"
      ><input
        type="checkbox"
        :checked="drawn.book.onExisting"
        @change="job.change((p) => changeBook(p, line!.lineId, { onExisting: !drawn!.book.onExisting }))" />
      on offset brackets of an existing fence <RuleChips :rules="['I4', 'C2']"
    /></label>
    <label
      >Wires hang on <RuleChips :rules="['I9']" />
      <select
        :value="drawn.book.wiresOn ?? ''"
        data-test="wires-on"
        @change="
          job.change((p) =>
            changeBook(p, line!.lineId, {
              wiresOn: (($event.target as HTMLSelectElement).value || null) as LineBook['wiresOn'],
            }),
          )
        "
      >
        <option value="">the outside of every turn</option>
        <option value="LEFT">the left, as stations run</option>
        <option value="RIGHT">the right, as stations run</option>
      </select>
    </label>
    <label v-if="job.plan!.site.lines.length > 1"
      >Outer row of <RuleChips :rules="['W9', 'P7']" />
      <select
        :value="drawn.book.beside ?? ''"
        data-test="beside"
        @change="
          job.change((p) =>
            changeBook(p, line!.lineId, { beside: ($event.target as HTMLSelectElement).value || null }),
          )
        "
      >
        <option value="">no other line</option>
        <option v-for="l in job.plan!.site.lines.filter((x) => x.id !== drawn!.id)" :key="l.id" :value="l.id">
          {{ l.name }}
        </option>
      </select>
    </label>
  </div>
  <p v-else class="quiet-text">Nothing laid out yet.</p>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
dl {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 2px 8px;
  font-size: 13px;
  margin: 6px 0;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
}
.weak {
  color: var(--broken);
  font-weight: 700;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.link {
  color: var(--accent);
  text-decoration: underline;
}
</style>
