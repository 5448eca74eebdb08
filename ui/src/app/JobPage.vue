<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, onUnmounted, ref, watch, watchEffect } from 'vue'
import PaneDivider from '@/components/PaneDivider.vue'
import { useRoute, useRouter } from 'vue-router'
import CommandPalette from './CommandPalette.vue'
import LedgerPanel from '@/features/ledger/LedgerPanel.vue'
import RibbonView from '@/features/ribbon/RibbonView.vue'
import { useRoom } from '@/model/room'
import { useTool } from '@/model/tool'
import { layoutSheets, useLayoutSheets } from '@/model/useLayoutSheets'
import { electricsSheets, useElectricsSheets } from '@/model/useElectricsSheets'
import { sheets, useSheets } from '@/model/useSheets'
import { useTakeoffSheets } from '@/model/useTakeoffSheets'
import { useTestSheets } from '@/model/useTestSheets'
import { useFaultSheets } from '@/model/useFaultSheets'
import { useFaults } from '@/model/faults'
import { useTerms } from '@/model/terms'
import { useKeys } from '@/shared/keys'
import { useJob } from '@/model/jobStore'
import JobHead from './JobHead.vue'
import SettleDialog from './SettleDialog.vue'
import { useCommands } from './useCommands'
import { withSpec } from '@/model/planEdit'

const props = defineProps<{
  id: string
  stage: 'survey' | 'layout' | 'electrics' | 'takeoff' | 'test' | 'faults'
}>()
const job = useJob()
const route = useRoute()
const router = useRouter()
const palette = ref(false)

const SurveyStage = defineAsyncComponent(() => import('@/features/survey/SurveyStage.vue'))
const LayoutStage = defineAsyncComponent(() => import('@/features/layout/LayoutStage.vue'))
const ElectricsStage = defineAsyncComponent(() => import('@/features/electrics/ElectricsStage.vue'))
const TakeoffStage = defineAsyncComponent(() => import('@/features/takeoff/TakeoffStage.vue'))
const PlanView = defineAsyncComponent(() => import('@/features/plan/PlanView.vue'))
const TestStage = defineAsyncComponent(() => import('@/features/test/TestStage.vue'))
const FaultsStage = defineAsyncComponent(() => import('@/features/faults/FaultsStage.vue'))
const stages = {
  survey: SurveyStage,
  layout: LayoutStage,
  electrics: ElectricsStage,
  takeoff: TakeoffStage,
  test: TestStage,
  faults: FaultsStage,
}
const current = computed(() => stages[props.stage])

/** Line and station travel in the address, so that a link leads to the place. */
const { sheet, open: openSheet } = useSheets()
const { sheet: layoutSheet, open: openLayoutSheet } = useLayoutSheets()
const { sheet: electricsSheet, open: openElectricsSheet } = useElectricsSheets()
const { sheet: takeoffSheet, open: openTakeoffSheet } = useTakeoffSheets()
const { sheet: testSheet, open: openTestSheet } = useTestSheets()
const { sheet: faultSheet, open: openFaultSheet } = useFaultSheets()
const faults = useFaults()
/** In the field a round is walked, in the office sections are looked at. */
const firstTestSheet = window.matchMedia('(max-width: 760px)').matches ? 'round' : 'sections'
const terms = useTerms()
const { tool } = useTool()
const room = useRoom()
watchEffect(() => {
  room.stage = props.stage
  const open = { survey: sheet.value, layout: layoutSheet.value, electrics: electricsSheet.value }
  room.reading =
    props.stage === 'takeoff' ||
    props.stage === 'test' ||
    props.stage === 'faults' ||
    [...sheets, ...layoutSheets, ...electricsSheets].some(
      (s) => s.wide && s.id === open[props.stage as 'survey'],
    )
})
const place = computed(() => ({
  ...(job.cursorM === null ? {} : { line: job.lineId, station: job.cursorM.toFixed(1) }),
  ...(props.stage === 'survey' && sheet.value !== 'bring' ? { sheet: sheet.value } : {}),
  ...(props.stage === 'layout' && layoutSheet.value !== 'build' ? { sheet: layoutSheet.value } : {}),
  ...(props.stage === 'electrics' && electricsSheet.value !== 'energizer'
    ? { sheet: electricsSheet.value }
    : {}),
  ...(props.stage === 'test' && testSheet.value !== firstTestSheet ? { sheet: testSheet.value } : {}),
  ...(props.stage === 'faults' && faultSheet.value !== 'where' ? { sheet: faultSheet.value } : {}),
  ...(props.stage === 'takeoff' && takeoffSheet.value !== 'counts' ? { sheet: takeoffSheet.value } : {}),
}))
const named = String(route.query.sheet ?? '')
openTestSheet((props.stage === 'test' && named) || firstTestSheet)
if (props.stage === 'layout') openLayoutSheet(named || 'build')
else if (props.stage === 'electrics') openElectricsSheet(named || 'energizer')
else if (props.stage === 'takeoff') openTakeoffSheet(named || 'counts')
else if (props.stage === 'faults') openFaultSheet(named || 'where')
else if (props.stage === 'survey') openSheet(named || 'bring')
const go = (stage: string) =>
  router.push({ name: 'job', params: { id: props.id, stage }, query: place.value })
const toggleUnits = () =>
  job.change((p) => withSpec(p, { preferences: { units: job.units === 'METRIC' ? 'FT_IN' : 'METRIC' } }))
const { commands, step } = useCommands(go, toggleUnits)

useKeys((e) => {
  const command = e.ctrlKey || e.metaKey
  if (command && e.key.toLowerCase() === 'k') return ((palette.value = true), true)
  if (command && e.key.toLowerCase() === 's') return (void job.saveNow(), true)
  if (command && e.key.toLowerCase() === 'z') return ((e.shiftKey ? job.redo : job.undo)(), true)
  if (command && e.key.toLowerCase() === 'y') return (job.redo(), true)
  if (command || e.altKey) return false
  // While something is drawn, digits begin the length of its next side.
  if (tool.value === 'draw' && /^[0-9]$/.test(e.key)) return false
  const stage = {
    '1': 'survey',
    '2': 'layout',
    '3': 'electrics',
    '4': 'takeoff',
    '6': 'test',
    '7': 'faults',
  }[e.key]
  if (stage) return (void go(stage), true)
  if (e.key === ',' || e.key === '.') return (step(e.key === '.' ? 1 : -1, false), true)
  if (e.key === '<' || e.key === '>') return (step(e.key === '>' ? 1 : -1, true), true)
  if (e.key.toLowerCase() === 'r') return (room.toggleRibbon(), true)
  if (e.key.toLowerCase() === 'u') return (toggleUnits(), true)
  return false
})

/** A link can name a line and a station. */
watch(
  () => job.design,
  (design) => {
    if (!design || job.cursorM !== null) return
    const line = String(route.query.line ?? '')
    if (design.layout.lines.some((l) => l.lineId === line)) job.lineId = line
    const station = Number(route.query.station)
    if (route.query.station !== undefined && Number.isFinite(station)) job.cursorM = station
  },
)
watch(place, (query) => {
  window.history.replaceState(window.history.state, '', router.resolve({ path: route.path, query }).href)
})
watch(
  () => props.id,
  (id) => {
    void terms.load(id)
    void job.load(id)
  },
)

function leaving(e: BeforeUnloadEvent) {
  void job.saveNow()
  if (job.saveState === 'refused') e.preventDefault()
}
onMounted(() => {
  void terms.load(props.id)
  void job.load(props.id)
  window.addEventListener('beforeunload', leaving)
})
onUnmounted(() => {
  void job.saveNow()
  window.removeEventListener('beforeunload', leaving)
})
</script>

<template>
  <div class="job" :class="stage">
    <JobHead :stage="stage" @go="go" @palette="palette = true" @units="toggleUnits" />
    <p v-if="job.failure" class="failure" role="alert">
      {{ job.failure }} <router-link to="/">Back to the yard</router-link>
    </p>
    <template v-else-if="job.plan && job.catalogue">
      <div class="middle" :class="{ strip: !room.ledgerOpen }">
        <main class="workspace"><component :is="current" /></main>
        <div class="beside">
          <div v-if="stage === 'takeoff' || (stage === 'faults' && room.ledgerOpen)" class="inset no-print">
            <PlanView :editable="false" :heat="stage === 'faults' ? faults.answer : undefined" />
          </div>
          <LedgerPanel class="ledger" />
        </div>
      </div>
      <PaneDivider
        across
        after
        class="ribbon-divider"
        label="Height of the ribbon"
        :px="room.ribbonOpen ? room.ribbonPx : 110"
        data-test="divide-ribbon"
        @drag="room.dragRibbon"
        @reset="room.resetRibbon"
      />
      <RibbonView
        class="ribbon"
        :readings="stage === 'test' || stage === 'faults'"
        :pulse="stage === 'electrics'"
        :select="stage === 'takeoff'"
        :heat="stage === 'faults' ? faults.answer : null"
      />
    </template>
    <p v-else class="failure">Opening the job …</p>
    <CommandPalette v-model="palette" :commands="commands" />
    <SettleDialog />
  </div>
</template>

<style scoped>
.job {
  height: 100vh;
  display: flex;
  flex-direction: column;
}
.middle {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 292px;
}
.middle.strip {
  grid-template-columns: minmax(0, 1fr) 96px;
}
.workspace {
  position: relative;
  min-width: 0;
  min-height: 0;
  overflow: auto;
  contain: strict;
}
.beside {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-left: 1px solid var(--rule);
}
.inset {
  flex: none;
  height: 236px;
  position: relative;
  border-bottom: 1px solid var(--rule);
}
.ledger {
  flex: 1;
  min-height: 0;
  overflow: auto;
  contain: strict;
}
.ribbon {
  flex: none;
}
.failure {
  padding: 40px;
  font-size: 16px;
}
@media (max-width: 760px) {
  .job {
    height: 100dvh;
  }
  .workspace {
    contain: none;
  }
  .middle,
  .middle.strip {
    grid-template-columns: 1fr;
  }
  .job.test .ledger,
  .job.test .ribbon,
  .job.survey .ribbon {
    display: none;
  }
  .middle > .beside {
    display: none;
  }
}
@media print {
  .job,
  .middle {
    display: block;
    height: auto;
  }
  .workspace {
    contain: none;
  }
  .ledger,
  .ribbon {
    display: none;
  }
}
</style>
