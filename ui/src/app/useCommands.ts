import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Command } from './CommandPalette.vue'
import { useTool, tools } from '@/model/tool'
import { layoutSheets, useLayoutSheets } from '@/model/useLayoutSheets'
import { electricsSheets, useElectricsSheets } from '@/model/useElectricsSheets'
import { strongKinds } from '@/model/layoutWords'
import { useRoom } from '@/model/room'
import { sheets, useSheets } from '@/model/useSheets'
import { useLook } from '@/shared/look'
import { useJob } from '@/model/jobStore'
import { useWords } from '@/model/useWords'

/** Everything that can be done to the open job, by name; and the steps along the line. */
export function useCommands(go: (stage: string) => unknown, toggleUnits: () => void) {
  const { say } = useWords()
  const job = useJob()
  const router = useRouter()
  const { choose, fit } = useTool()
  const { next } = useLook()
  const room = useRoom()
  const { open: openSheet } = useSheets()
  const { open: openLayoutSheet } = useLayoutSheets()
  const { open: openElectricsSheet } = useElectricsSheets()

  /** Moves the cursor to the next post, or the next strong one. */
  function step(direction: 1 | -1, strong: boolean) {
    const posts = (job.line?.posts ?? []).filter((p) => !strong || strongKinds.includes(p.kind))
    const from = job.cursorM ?? (direction === 1 ? -1 : Infinity)
    const ahead =
      direction === 1
        ? posts.find((p) => p.stationM > from + 0.01)
        : posts.findLast((p) => p.stationM < from - 0.01)
    if (ahead) job.cursorM = ahead.stationM
  }

  const commands = computed<Command[]>(() => [
    { text: 'Go to Survey', key: '1', run: () => go('survey') },
    { text: 'Go to Layout', key: '2', run: () => go('layout') },
    { text: 'Go to Electrics', key: '3', run: () => go('electrics') },
    { text: 'Go to Takeoff', key: '4', run: () => go('takeoff') },
    { text: 'Go to Test', key: '6', run: () => go('test') },
    { text: 'Go to Faults', key: '7', run: () => go('faults') },
    ...tools.map((t) => ({ text: t.text, key: t.key, run: () => (choose(t.id), void go('layout')) })),
    { text: 'Show the whole job', key: 'F', run: fit },
    { text: 'Undo', key: 'Ctrl Z', run: job.undo },
    { text: 'Redo', key: 'Ctrl Shift Z', run: job.redo },
    { text: say('Feet and inches or metres'), key: 'U', run: toggleUnits },
    { text: 'Fold or unfold the ribbon', key: 'R', run: room.toggleRibbon },
    { text: 'Paper, sunlight or dark', run: next },
    { text: 'Save now', key: 'Ctrl S', run: () => void job.saveNow() },
    { text: 'Job file', run: () => window.open(`/api/jobs/${job.id}/job.geojson`, '_self') },
    { text: 'Takeoff as CSV', run: () => window.open(`/api/jobs/${job.id}/takeoff.csv`, '_self') },
    { text: 'Plan as KML', run: () => window.open(`/api/jobs/${job.id}/map.kml`, '_self') },
    { text: 'Plan as DXF', run: () => window.open(`/api/jobs/${job.id}/plan.dxf`, '_self') },
    { text: 'Posts as CSV', run: () => window.open(`/api/jobs/${job.id}/posts.csv`, '_self') },
    { text: 'Set-out sheet as PDF', run: () => window.open(`/api/jobs/${job.id}/set-out.pdf`, '_self') },
    ...sheets.map((s) => ({
      text: `Survey: ${s.text}`,
      run: () => {
        openSheet(s.id)
        void go('survey')
      },
    })),
    ...layoutSheets.map((s) => ({
      text: `Layout: ${s.text}`,
      run: () => {
        openLayoutSheet(s.id)
        void go('layout')
      },
    })),
    ...electricsSheets.map((s) => ({
      text: `Electrics: ${say(s.text)}`,
      run: () => {
        openElectricsSheet(s.id)
        void go('electrics')
      },
    })),
    { text: 'Why this energizer, PDF', run: () => window.open(`/api/jobs/${job.id}/energizer.pdf`, '_self') },
    { text: 'Electrics as CSV', run: () => window.open(`/api/jobs/${job.id}/electrics.csv`, '_self') },
    { text: 'Story pole as PDF', run: () => window.open(`/api/jobs/${job.id}/story-pole.pdf`, '_self') },
    { text: 'Lines as a strip, PDF', run: () => window.open(`/api/jobs/${job.id}/strip.pdf`, '_self') },
    { text: 'Strong posts as GPX', run: () => window.open(`/api/jobs/${job.id}/strong-posts.gpx`, '_self') },
    { text: 'Back to the yard', run: () => void router.push('/') },
    ...(job.design?.layout.lines ?? []).map((l) => ({
      text: `Line: ${l.name}`,
      run: () => void (job.lineId = l.lineId),
    })),
  ])

  return { commands, step }
}
