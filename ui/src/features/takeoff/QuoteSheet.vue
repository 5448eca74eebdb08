<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { RequestFailed, ask, client, failureText } from '@/api/client'
import type { QuoteState } from '@/api/types'
import { useJob, useOwnJobId } from '@/model/jobStore'
import { useTerms } from '@/model/terms'
import { announce } from '@/shared/announce'
import { amountText, moneyText } from '@/shared/money'
import { newId } from '@/shared/uuid'
import AmountTable from './AmountTable.vue'
import QuoteChanges from './QuoteChanges.vue'
import { headings, statusWords } from './quoteWords'

const job = useJob()
const jobId = useOwnJobId()
const own = useTerms()
const quotes = shallowRef<QuoteState[]>([])
/** Whether it is known what has been quoted. */
const read = ref(false)
const at = ref<{ number: number; revision: number } | null>(null)
const ticked = ref<string[]>([])
const note = ref('')
const problem = ref('')
const busy = ref(false)
/** Named once for a quote that is being sent, so that sending again makes no second one. */
let request = newId()

const state = computed(() =>
  quotes.value.find((q) => q.quote.number === at.value?.number && q.quote.revision === at.value?.revision),
)
const quote = computed(() => state.value?.quote ?? null)
const name = (q: QuoteState) =>
  `${q.change ? 'Change order' : 'Quote'} ${q.quote.number}${q.quote.revision > 1 ? `, revision ${q.quote.revision}` : ''}`
const tickedSum = computed(() =>
  (quote.value?.options ?? [])
    .filter((o) => ticked.value.includes(o.id))
    .reduce((sum, o) => sum + o.amount, 0),
)

async function load() {
  try {
    quotes.value = await ask(client.GET('/api/jobs/{id}/quotes', { params: { path: { id: jobId } } }))
    read.value = true
    if (!state.value) show(quotes.value[0] ?? null)
  } catch (e) {
    problem.value = e instanceof RequestFailed ? e.message : 'The quotes could not be read.'
  }
}

function show(q: QuoteState | null) {
  at.value = q && { number: q.quote.number, revision: q.quote.revision }
  ticked.value = []
  note.value = ''
  problem.value = ''
}

async function act(run: () => Promise<QuoteState>, said: (q: QuoteState) => string) {
  busy.value = true
  problem.value = ''
  try {
    const q = await run()
    await load()
    show(
      quotes.value.find((x) => x.quote.number === q.quote.number && x.quote.revision === q.quote.revision) ??
        q,
    )
    announce(said(q))
    return true
  } catch (e) {
    problem.value = failureText(e, 'That did not work.')
    return false
  } finally {
    busy.value = false
  }
}

async function send(revises: number | null) {
  await job.saveNow()
  await own.stored()
  const done = await act(
    () =>
      ask(
        client.POST('/api/jobs/{id}/quotes', {
          params: { path: { id: jobId } },
          body: { id: request, revises },
        }),
      ),
    (q) => `${name(q)} was sent.`,
  )
  if (done) request = newId()
}

const decide = (accepted: boolean) =>
  act(
    () =>
      ask(
        client.POST('/api/quotes/{number}/{revision}/decision', {
          params: { path: at.value! },
          body: { accepted, options: accepted ? ticked.value : [], note: note.value },
        }),
      ),
    (q) => `${name(q)} was ${accepted ? 'accepted' : 'declined'}.`,
  )

const paper = (size: string) =>
  `/api/quotes/${at.value!.number}/${at.value!.revision}/quote.pdf?paper=${size}`
onMounted(load)
</script>

<template>
  <div class="quotes">
    <header>
      <h1>Quotes</h1>
      <span class="quiet-text">{{ [job.name, job.clientName].filter(Boolean).join(' · ') }}</span>
      <span class="spring" />
      <v-btn
        class="strong"
        data-test="send-quote"
        :disabled="busy || !job.design?.layout.lines.length"
        @click="send(null)"
      >
        Send a new quote
      </v-btn>
    </header>
    <p class="quiet-text small">
      A quote is put down with everything that stands on it: later changes to plan, prices or words do not
      alter it. Buckle sends no mail; hand over the PDF.
    </p>
    <p v-if="problem" class="weak" role="alert" data-test="quote-problem">{{ problem }}</p>
    <p v-if="read && quotes.length === 0" class="empty">
      No quote yet. The figures come from the sheet Price.
    </p>
    <div v-else-if="quotes.length" class="columns">
      <ul class="list" aria-label="Quotes">
        <li v-for="q in quotes" :key="`${q.quote.number}/${q.quote.revision}`">
          <button
            :aria-current="q === state ? 'true' : undefined"
            :data-test="`quote-${q.quote.number}-${q.quote.revision}`"
            @click="show(q)"
          >
            <b>{{ name(q) }}</b>
            <span :class="['status', q.status]" data-test="quote-status">{{ statusWords[q.status] }}</span>
            <span class="quiet-text"
              >{{ q.quote.sent }} · {{ moneyText(q.quote.total, q.quote.currency) }}</span
            >
          </button>
        </li>
      </ul>
      <article v-if="quote && state" :aria-label="name(state)">
        <h2>{{ name(state) }}</h2>
        <p>
          Sent {{ quote.sent }}<template v-if="state.sentBy"> by {{ state.sentBy }}</template
          >, valid until {{ quote.validUntil }}, from plan revision {{ quote.planRevision }}. PDF
          <a :href="paper('A4')" data-test="quote-a4">A4</a>,
          <a :href="paper('LETTER')" data-test="quote-letter">Letter</a>.
        </p>
        <p v-if="quote.scope">{{ quote.scope }}</p>
        <AmountTable
          :lines="quote.lines.map((l) => ({ ...l, heading: headings[l.heading] }))"
          :net="quote.net"
          :taxes="quote.taxes"
          :total="quote.total"
        />
        <QuoteChanges v-if="quote.revision > 1" :quote="quote" />
        <section v-if="quote.options.length" aria-label="Options">
          <h3>Options, before tax</h3>
          <label v-for="o in quote.options" :key="o.id" class="option">
            <input
              v-if="state.status === 'SENT'"
              v-model="ticked"
              type="checkbox"
              :value="o.id"
              :data-test="`option-${o.id}`"
            />
            <span v-else>{{ state.decision?.options.includes(o.id) ? '☑' : '☐' }}</span>
            {{ o.text }} <span v-if="o.oneOf" class="quiet-text">one of “{{ o.oneOf }}”</span>
            <span class="number amount">{{ o.amount > 0 ? '+ ' : '' }}{{ amountText(o.amount) }}</span>
          </label>
        </section>
        <p v-if="state.agreed" data-test="quote-agreed">
          Accepted for {{ moneyText(state.agreed.total, quote.currency) }} with tax<template
            v-if="state.decision?.note"
            >: {{ state.decision.note }}</template
          >.
        </p>
        <div v-if="state.status === 'SENT'" class="decide no-print">
          <label
            >Note on the decision
            <input
              v-model="note"
              inputmode="text"
              maxlength="500"
              placeholder="who said it, when"
              data-test="quote-note"
          /></label>
          <v-btn class="strong" data-test="accept-quote" :disabled="busy" @click="decide(true)">
            Accepted{{ tickedSum ? `, with ${amountText(tickedSum)} of options` : '' }}
          </v-btn>
          <v-btn data-test="decline-quote" :disabled="busy" @click="decide(false)">Declined</v-btn>
        </div>
        <p class="no-print">
          <v-btn data-test="revise-quote" :disabled="busy" @click="send(quote.number)">
            {{ state.status === 'ACCEPTED' ? 'Send a change order' : 'Send the next revision' }}
          </v-btn>
        </p>
      </article>
    </div>
  </div>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: baseline;
}
.spring {
  flex: 1;
}
.columns {
  display: grid;
  grid-template-columns: minmax(220px, 300px) minmax(0, 720px);
  gap: 10px 34px;
  margin-top: 10px;
}
.list {
  list-style: none;
  padding: 0;
  margin: 0;
}
.list button {
  display: grid;
  width: 100%;
  text-align: left;
  padding: 8px 10px;
  color: var(--ink);
  border-left: 4px solid transparent;
  border-bottom: 1px solid var(--rule);
}
.list button[aria-current] {
  border-left-color: var(--accent);
  background: var(--band);
}
.status {
  font-weight: 700;
}
.status.DECLINED,
.status.EXPIRED {
  color: var(--broken);
}
.status.REPLACED {
  color: var(--quiet);
  font-weight: 400;
}
.option {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 4px 0;
}
.amount {
  margin-left: auto;
}
.decide {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  margin: 14px 0;
}
.decide input {
  display: block;
  border: 1px solid var(--rule-strong);
  padding: 5px 7px;
  width: 260px;
  background: var(--paper);
  color: var(--ink);
}
.weak {
  color: var(--broken);
}
.empty {
  padding: 40px 0;
  font-size: 16px;
}
@media (max-width: 760px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
