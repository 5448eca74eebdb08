import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type { JobPage, JobView, YardSort } from '@/api/types'

const TYPING_MS = 250
/** How soon a summary that is being worked out is looked for again. */
const AGAIN_MS = [700, 1500, 3000, 6000]
const PAGE = 50

/** The list of jobs, a page at a time: what is searched for, in which order, where it stands. */
export function useYard() {
  const state = ref<JobView['state']>('ACTIVE')
  const search = ref('')
  const clientName = ref('')
  const sort = ref<YardSort>('CHANGED')
  const page = ref(0)
  const found = shallowRef<JobPage | null>(null)
  const clients = shallowRef<string[]>([])
  const loading = ref(true)
  const failure = ref('')
  let timer: ReturnType<typeof setTimeout> | undefined
  let asked = 0
  let again = 0

  async function load(quietly = false) {
    clearTimeout(timer)
    const mine = ++asked
    const query = {
      state: state.value,
      search: search.value.trim() || undefined,
      client: clientName.value || undefined,
      sort: sort.value,
      page: page.value,
      size: PAGE,
    }
    try {
      const [jobs, names] = await Promise.all([
        ask(client.GET('/api/jobs', { params: { query } })),
        quietly ? clients.value : ask(client.GET('/api/jobs/clients')),
      ])
      if (mine !== asked) return
      found.value = jobs
      clients.value = names
      failure.value = ''
      if (page.value > 0 && jobs.jobs.length === 0) page.value = 0
      if (jobs.jobs.some((j) => !j.upToDate))
        timer = setTimeout(() => void load(true), AGAIN_MS[Math.min(again++, AGAIN_MS.length - 1)])
      else again = 0
    } catch (e) {
      if (mine === asked && !quietly)
        failure.value = e instanceof RequestFailed ? e.message : 'The jobs could not be read.'
    } finally {
      if (mine === asked) loading.value = false
    }
  }

  watch([state, clientName, sort], () => {
    page.value = 0
    void load()
  })
  watch(page, () => void load())
  watch(search, () => {
    clearTimeout(timer)
    page.value = 0
    timer = setTimeout(() => void load(), TYPING_MS)
  })
  onUnmounted(() => clearTimeout(timer))

  const range = computed(() => {
    const f = found.value
    if (!f || f.total === 0) return ''
    const first = f.page * f.size + 1
    return `${first.toLocaleString('en')}–${(first + f.jobs.length - 1).toLocaleString('en')} of ${f.total.toLocaleString('en')}`
  })
  const pages = computed(() => Math.ceil((found.value?.total ?? 0) / PAGE))

  return { state, search, clientName, sort, page, pages, found, clients, loading, failure, range, load }
}
