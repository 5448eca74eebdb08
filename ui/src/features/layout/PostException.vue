<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Post, PostOverride } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { addOverride, changeBook } from '@/model/bookEdit'
import { useJob } from '@/model/jobStore'
import { postKinds } from '@/model/layoutWords'
import { useMaterials } from '@/model/useMaterials'
import EntryField from '@/shared/EntryField.vue'
import { lengthText, parseLengthM } from '@/shared/units'

/** Posts otherwise than planned on a stretch or at one place: spaced, made, used otherwise, or found ones. */
const props = defineProps<{ post: Post | null }>()
const job = useJob()
const materials = useMaterials()
const overrides = computed(
  () => job.plan!.site.lines.find((l) => l.id === job.line?.lineId)?.book.overrides ?? [],
)
const stock = (id: string) => materials.value?.posts.find((p) => p.id === id)?.text ?? id
const at = (p: Post) => [p.lonDeg, p.latDeg]

/** A choice of posts for a stretch: from one post to another. */
const from = ref<Post | null>(null)
const to = ref<Post | null>(null)
const want = ref({ spacing: '', stock: '', light: '', use: '', reason: '', reused: false, length: '' })
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
  if (
    spacing === null &&
    !want.value.stock &&
    want.value.light === '' &&
    !want.value.use &&
    !want.value.reused
  ) {
    refused.value = 'Say a spacing, another post, light posts, what the posts do or that they are found ones.'
    return
  }
  const found =
    want.value.reused && want.value.length.trim() ? parseLengthM(want.value.length, job.units) : null
  if (want.value.reused && want.value.length.trim() && (found === null || found < 0.2 || found > 10)) {
    refused.value = 'A found post is between 0.2 m (8 in) and 10 m (33 ft) long.'
    return
  }
  const made: Omit<PostOverride, 'id'> = {
    from: at(from.value),
    to: at(to.value),
    spacingM: spacing,
    stock: (want.value.stock || null) as PostOverride['stock'],
    lightPerGap: want.value.light === '' ? null : Number(want.value.light),
    use: (want.value.use || null) as PostOverride['use'],
    reason: want.value.reason.trim() || (want.value.reused ? 'found' : 'exception'),
    found: want.value.reused ? { lengthM: found } : null,
  }
  job.change((p) => addOverride(p, job.line!.lineId, made))
  from.value = to.value = null
  want.value = { spacing: '', stock: '', light: '', use: '', reason: '', reused: false, length: '' }
}
function overrideText(o: PostOverride) {
  return [
    o.spacingM === null ? '' : `every ${lengthText(o.spacingM, job.units)}`,
    o.stock ? stock(o.stock) : '',
    o.use ? `as ${postKinds[o.use].toLowerCase()}` : '',
    o.found
      ? `found${o.found.lengthM === null ? '' : `, ${lengthText(o.found.lengthM, job.units)} long`}`
      : '',
    o.lightPerGap === null ? '' : `${o.lightPerGap} light in each gap`,
  ]
    .filter(Boolean)
    .join(', ')
}
</script>

<template>
  <div>
    <h3>Exception on a stretch or a post <RuleChips :rules="['P19']" /></h3>
    <div class="pair">
      <v-btn data-test="from-here" @click="from = props.post">
        {{ from ? `from post ${from.number}` : 'from here' }}
      </v-btn>
      <v-btn data-test="to-here" @click="to = props.post">{{
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
    <label class="check"
      ><input v-model="want.reused" type="checkbox" data-test="override-reused" /> found or reused: set, not
      bought</label
    >
    <label v-if="want.reused"
      >length of each <input v-model="want.length" data-test="override-length" placeholder="long enough"
    /></label>
    <label
      >because
      <EntryField :value="want.reason" @input="want.reason = ($event.target as HTMLInputElement).value"
    /></label>
    <v-btn class="mt-2" data-test="override" @click="override">Add the exception</v-btn>
    <p v-if="refused" class="weak" role="alert">{{ refused }}</p>
    <ul class="plain-list">
      <li v-for="o in overrides" :key="o.id" data-test="override-kept">
        {{ overrideText(o) }} <span class="quiet-text">({{ o.reason }})</span>
        <button
          class="link"
          @click="
            job.change((p) =>
              changeBook(p, job.line!.lineId, { overrides: overrides.filter((x) => x.id !== o.id) }),
            )
          "
        >
          remove
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
.weak {
  color: var(--broken);
  font-weight: 700;
}
.plain-list {
  list-style: none;
  padding: 0;
  font-size: 13px;
}
</style>
