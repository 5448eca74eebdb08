<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { lookAtList, previewList, RequestFailed, takeList, type ListHow } from '@/api/client'
import type { ListPreview, PriceTable } from '@/api/types'
import { announce } from '@/shared/announce'
import { countText } from '@/shared/units'

const emit = defineEmits<{ done: [] }>()
const fields = [
  'code',
  'description',
  'unit',
  'serves as',
  'substitute for',
  'kg each',
  'service life, years',
  'supplier',
  'pack',
  'pack size',
  'price',
  'currency',
  'from packs',
  'date',
  'tax class',
]
const file = shallowRef<File | null>(null)
const table = shallowRef<PriceTable | null>(null)
const role = ref<number[]>([])
const decimal = ref<ListHow['decimal']>('AUTO')
const mode = ref<ListHow['mode']>('MERGE')
const preview = shallowRef<ListPreview | null>(null)
const problems = ref<string[]>([])
const busy = ref(false)
const how = computed<ListHow>(() => ({
  columns: fields.map((_, f) => role.value.indexOf(f)).join(','),
  decimal: decimal.value,
  mode: mode.value,
}))

async function act(run: () => Promise<void>) {
  busy.value = true
  problems.value = []
  try {
    await run()
  } catch (e) {
    problems.value =
      e instanceof RequestFailed
        ? e.places.length
          ? e.places.map((p) => `${p.path}: ${p.message}`)
          : [e.message]
        : ['The list could not be read.']
  } finally {
    busy.value = false
  }
}

const choose = (chosen: File | undefined) =>
  act(async () => {
    if (!chosen) return
    file.value = chosen
    preview.value = null
    table.value = null
    const found = await lookAtList(chosen)
    table.value = found
    role.value = found.columns.map((_, c) => found.guess.indexOf(c))
  })
/** The same file can be chosen again after it was mended. */
function pick(e: Event) {
  const input = e.target as HTMLInputElement
  void choose(input.files?.[0])
  input.value = ''
}
const look = () =>
  act(async () => {
    preview.value = null
    preview.value = await previewList(file.value!, how.value)
  })
const take = () =>
  act(async () => {
    await takeList(file.value!, how.value, preview.value!.revision)
    announce(`${file.value!.name} was imported.`)
    emit('done')
  })
</script>

<template>
  <section aria-label="Import a list" @dragover.prevent @drop.prevent="choose($event.dataTransfer?.files[0])">
    <p class="quiet-text">
      A supplier’s list as CSV or XLSX, one row a price. Nothing is stored before you have seen what it
      changes; all of it is taken, or nothing.
    </p>
    <label class="file">
      <span>Choose a list, or drop it here …</span>
      <input type="file" accept=".csv,.txt,.xlsx" data-test="list-file" @change="pick" />
    </label>
    <ul v-if="problems.length" class="weak" role="alert" data-test="list-problems">
      <li v-for="p in problems" :key="p">{{ p }}</li>
    </ul>
    <template v-if="table">
      <h2>{{ file?.name }}: {{ countText(table.rowCount) }} rows</h2>
      <div class="scroll">
        <table class="sheet">
          <thead>
            <tr>
              <th v-for="(c, i) in table.columns" :key="i">
                {{ c }}
                <select v-model="role[i]" :aria-label="`What ${c} is`" @change="preview = null">
                  <option :value="-1">leave out</option>
                  <option v-for="(f, k) in fields" :key="k" :value="k">{{ f }}</option>
                </select>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, r) in table.sample" :key="r">
              <td v-for="(_, k) in table.columns" :key="k">{{ row[k] ?? '' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="how">
        <label
          >Decimals
          <select v-model="decimal" data-test="list-decimal" @change="preview = null">
            <option value="AUTO">as the numbers show</option>
            <option value="POINT">after a point, 1,234.50</option>
            <option value="COMMA">after a comma, 1.234,50</option>
          </select></label
        >
        <label
          >The list
          <select v-model="mode" data-test="list-mode" @change="preview = null">
            <option value="MERGE">adds to the book and brings it up to date</option>
            <option value="REPLACE">is the whole book: what it does not name is removed</option>
          </select></label
        >
        <v-btn class="strong" :disabled="busy" data-test="list-preview" @click="look">See what changes</v-btn>
      </div>
    </template>
    <template v-if="preview">
      <h2 data-test="list-counts">
        {{ preview.added }} new, {{ preview.changed }} changed, {{ preview.removed }} removed
      </h2>
      <p v-if="preview.changes.length === 0" class="quiet-text">The book holds all of it already.</p>
      <div v-else class="scroll">
        <table class="sheet">
          <thead>
            <tr>
              <th>Code</th>
              <th>Description</th>
              <th>What changes</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in preview.changes" :key="c.code" data-test="list-change">
              <td>{{ c.code }}</td>
              <td>{{ (c.after ?? c.before)?.description }}</td>
              <td>
                <span v-if="!c.after" class="weak">removed</span>
                <span v-else-if="!c.before">new</span>
                <div v-for="f in c.fields" :key="f.name">
                  {{ f.name }}: <s class="quiet-text">{{ f.before || 'nothing' }}</s> →
                  {{ f.after || 'nothing' }}
                </div>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p>
        <v-btn
          class="strong"
          :disabled="busy || preview.changes.length === 0"
          data-test="list-take"
          @click="take"
          >Import</v-btn
        >
      </p>
    </template>
  </section>
</template>

<style src="@/components/fields.css" scoped></style>
<style scoped>
.file {
  display: inline-block;
  border: 1px dashed var(--rule-strong);
  padding: 12px 18px;
  cursor: pointer;
  color: var(--ink);
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.file:focus-within {
  outline: 2px solid var(--accent);
}
.scroll {
  overflow-x: auto;
  max-height: 46vh;
}
th select {
  max-width: 130px;
}
.how {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: end;
  margin: 8px 0;
}
.weak {
  color: var(--broken);
}
h2 {
  margin-top: 14px;
}
</style>
