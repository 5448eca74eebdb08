<script setup lang="ts">
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import type { LineBook, Post, PostOverride } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { announce } from '@/shared/announce'
import EntryField from '@/shared/EntryField.vue'
import { forceText, lengthText, parseLengthM } from '@/shared/units'
import { holdWords, postKinds } from '@/model/layoutWords'
import { addOverride, changeBook, changeLine, setStanding } from '@/model/bookEdit'
import PostElevation from './PostElevation.vue'
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

/** A choice of posts for a stretch: from one post to another. */
const from = ref<Post | null>(null)
const to = ref<Post | null>(null)
const want = ref({ spacing: '', stock: '', light: '', use: '', reason: '' })
const refused = ref('')
function override() {
  refused.value = ''
  const spacing = want.value.spacing.trim() ? parseLengthM(want.value.spacing, job.units) : null
  if (want.value.spacing.trim() && (spacing === null || spacing < 0.5 || spacing > 60)) {
    refused.value = 'A spacing lies between 0.5 m (20 in) and 60 m (197 ft).'
    return
  }
  if (!from.value || !to.value) {
    refused.value = 'Say from which post to which: point at one, press “from here”, at the other, “to here”.'
    return
  }
  if (from.value.stationM === to.value.stationM && (spacing !== null || want.value.light !== '')) {
    refused.value = 'A spacing and light posts need a stretch from one post to another.'
    return
  }
  if (spacing === null && !want.value.stock && want.value.light === '' && !want.value.use) {
    refused.value = 'Say a spacing, another post, light posts or what the posts do.'
    return
  }
  const made: Omit<PostOverride, 'id'> = {
    from: at(from.value),
    to: at(to.value),
    spacingM: spacing,
    stock: (want.value.stock || null) as PostOverride['stock'],
    lightPerGap: want.value.light === '' ? null : Number(want.value.light),
    use: (want.value.use || null) as PostOverride['use'],
    reason: want.value.reason.trim() || 'exception',
  }
  job.change((p) => addOverride(p, line.value!.lineId, made))
  from.value = to.value = null
  want.value = { spacing: '', stock: '', light: '', use: '', reason: '' }
}
function overrideText(o: PostOverride) {
  return [
    o.spacingM === null ? '' : `every ${lengthText(o.spacingM, job.units)}`,
    o.stock ? stock(o.stock) : '',
    o.use ? `as ${postKinds[o.use].toLowerCase()}` : '',
    o.lightPerGap === null ? '' : `${o.lightPerGap} light in each gap`,
  ]
    .filter(Boolean)
    .join(', ')
}

/** A post that stands otherwise. */
const depth = ref('')
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
        <dt>Cut from</dt>
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
    <h3>Exception on a stretch or a post <RuleChips :rules="['P19']" /></h3>
    <div class="pair">
      <v-btn data-test="from-here" @click="from = post ?? null">
        {{ from ? `from post ${from.number}` : 'from here' }}
      </v-btn>
      <v-btn data-test="to-here" @click="to = post ?? null">{{
        to ? `to post ${to.number}` : 'to here'
      }}</v-btn>
    </div>
    <div class="pair">
      <label>posts every <input v-model="want.spacing" data-test="override-spacing" /></label>
      <label
        >light in each gap
        <select v-model="want.light">
          <option value="">as planned</option>
          <option v-for="n in 4" :key="n" :value="String(n - 1)">{{ n - 1 }}</option>
        </select>
      </label>
    </div>
    <label
      >line posts of
      <select v-model="want.stock" data-test="override-stock">
        <option value="">as planned</option>
        <option v-for="p in materials?.posts" :key="p.id" :value="p.id">{{ p.text }}</option>
      </select>
    </label>
    <label
      >they act as
      <select v-model="want.use" data-test="override-use">
        <option value="">as planned</option>
        <option value="LINE">line posts</option>
        <option value="TIE_DOWN">tie-down posts</option>
        <option value="LIGHT">light posts</option>
      </select>
    </label>
    <label
      >because
      <EntryField :value="want.reason" @input="want.reason = ($event.target as HTMLInputElement).value"
    /></label>
    <v-btn class="mt-2" data-test="override" @click="override">Add the exception</v-btn>
    <p v-if="refused" class="weak" role="alert">{{ refused }}</p>
    <ul class="plain-list">
      <li v-for="o in drawn.book.overrides" :key="o.id" data-test="override-kept">
        {{ overrideText(o) }} <span class="quiet-text">({{ o.reason }})</span>
        <button
          class="link"
          @click="
            job.change((p) =>
              changeBook(p, line!.lineId, { overrides: drawn!.book.overrides.filter((x) => x.id !== o.id) }),
            )
          "
        >
          remove
        </button>
      </li>
    </ul>
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
.plain-list {
  list-style: none;
  padding: 0;
  font-size: 13px;
}
.link {
  color: var(--accent);
  text-decoration: underline;
}
</style>
