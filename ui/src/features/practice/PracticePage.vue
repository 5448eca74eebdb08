<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import SheetPage from '@/components/SheetPage.vue'
import { ask, client, failureText } from '@/api/client'
import type { PracticeCaseId, PracticeResult } from '@/api/types'
import { author } from '@/shared/author'
import CaseSheet from './CaseSheet.vue'
import DrillSheet from './DrillSheet.vue'
import { cases, gradeWords, minutesWords } from './caseWords'

/** Where a beginner learns without a client watching. */
const sheets = [
  { id: 'cases', text: 'Find the fault' },
  { id: 'drills', text: 'Drills' },
]
const open = ref<PracticeCaseId | null>(null)
const results = shallowRef<PracticeResult[]>([])
const failure = ref('')

async function load() {
  if (author.value.trim() === '') return
  try {
    results.value = await ask(
      client.GET('/api/practice/results', { params: { query: { person: author.value.trim() } } }),
    )
    failure.value = ''
  } catch (e) {
    failure.value = failureText(e, 'Earlier results could not be read.')
  }
}
onMounted(load)
const rank = (g: PracticeResult['grade']) => Object.keys(gradeWords).indexOf(g)
const rows = computed(() =>
  cases.map((c, i) => {
    const mine = results.value.filter((r) => r.practiceCase === c.id)
    const best = mine.toSorted((a, b) => rank(b.grade) - rank(a.grade) || a.minutes - b.minutes)[0]
    return { ...c, number: i + 1, tries: mine.length, best }
  }),
)
function done() {
  open.value = null
  void load()
}
</script>

<template>
  <SheetPage title="Practice" name="practice" :sheets="sheets">
    <template #default="{ sheet }">
      <DrillSheet v-if="sheet === 'drills'" />
      <CaseSheet v-else-if="open" :key="open" :of="open" :person="author.trim()" @done="done" />
      <section v-else class="cases">
        <p class="quiet-text small">
          Invented fences with a hidden fault. Walking takes 55 m a minute, looking over every insulator 25, a
          reading or a switch one minute. Say where it is, or look until you see it. On a real fence:
          energizer off and fence shorted before anybody touches it.
        </p>
        <p>
          <label
            >You are
            <input
              v-model="author"
              class="who"
              maxlength="80"
              placeholder="your name"
              data-test="practice-name"
              @change="load"
          /></label>
          <span v-if="author.trim() === ''" class="small quiet-text"> Results are kept under a name.</span>
        </p>
        <p v-if="failure" class="weak" role="alert">{{ failure }}</p>
        <ol class="list">
          <li v-for="c in rows" :key="c.id">
            <button
              class="entry"
              :data-test="`case-${c.id}`"
              :disabled="author.trim() === ''"
              @click="open = c.id"
            >
              <b>{{ c.number }} · {{ c.title }}</b>
              <span class="small">{{ c.told }}</span>
              <span v-if="c.tries" class="small quiet-text" data-test="case-best"
                >{{ c.tries }} tried<template v-if="c.best"
                  >, best {{ minutesWords(c.best.minutes) }} ({{ gradeWords[c.best.grade] }})</template
                ></span
              >
            </button>
          </li>
        </ol>
      </section>
    </template>
  </SheetPage>
</template>

<style scoped>
.cases {
  padding: 4px 18px 24px;
  max-width: 860px;
}
.list {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 10px;
}
.entry {
  display: flex;
  flex-direction: column;
  gap: 3px;
  width: 100%;
  height: 100%;
  text-align: left;
  padding: 9px 12px;
  border: 1px solid var(--rule-strong);
  background: var(--paper);
  color: var(--ink);
}
.entry:hover:not(:disabled),
.entry:focus-visible {
  border-color: var(--accent);
}
.entry:disabled {
  color: var(--quiet);
}
.who {
  border: 1px solid var(--rule-strong);
  background: var(--paper);
  color: var(--ink);
  padding: 5px 7px;
}
.weak {
  color: var(--broken);
}
</style>
