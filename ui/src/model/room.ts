import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref } from 'vue'
import { keptRef } from '@/shared/kept'

/** How somebody parted the screen; what is left out is as the sheet has it by itself. */
interface Room {
  sheetPx?: number
  ribbonPx?: number
  ribbonOpen?: boolean
  ledgerOpen?: boolean
}

type Rooms = Record<string, Room>

const isRooms = (value: unknown): value is Rooms =>
  typeof value === 'object' &&
  value !== null &&
  Object.values(value).every((room) => typeof room === 'object' && room !== null)

/** The ribbon with fence and figures, its head included. */
const RIBBON_PX = 248
/** A lane of kilovolts above it takes so much more. */
const LANE_PX = 54
const LEAST_RIBBON_PX = 120
const LEAST_SHEET_PX = 260
const LEAST_PLAN_PX = 180
/** Narrower than this, the ledger beside a sheet that is read starts as a strip. */
const NARROW_PX = 1400
export const PLAN_SHEET_PX = 350
/** Of the workspace, for a sheet that is read. */
export const READING_SHARE = 0.62

/**
 * How the screen is parted between sheet and plan, and between workspace and ribbon. Sheets that are read and sheets beside which one
 * draws want different parts; each stage remembers what somebody dragged.
 */
export const useRoom = defineStore('room', () => {
  const stage = ref('layout')
  const reading = ref(false)
  const rooms = keptRef<Rooms>('buckle.room', {}, isRooms)
  const windowPx = ref({ width: globalThis.innerWidth || 1280, height: globalThis.innerHeight || 800 })
  const measure = () => (windowPx.value = { width: window.innerWidth, height: window.innerHeight })
  globalThis.addEventListener?.('resize', measure)
  onScopeDispose(() => globalThis.removeEventListener?.('resize', measure))

  const key = computed(() => `${stage.value}:${reading.value ? 'reading' : 'plan'}`)
  const here = computed<Room>(() => rooms.value[key.value] ?? {})
  const set = (part: Room) => (rooms.value = { ...rooms.value, [key.value]: { ...here.value, ...part } })
  function reset(...parts: (keyof Room)[]) {
    const room = { ...here.value }
    for (const part of parts) delete room[part]
    rooms.value = { ...rooms.value, [key.value]: room }
  }

  const laned = computed(() => ['electrics', 'test', 'faults'].includes(stage.value))
  const ribbonOpen = computed(() => here.value.ribbonOpen ?? !reading.value)
  /** A quarter of the height at most, until somebody draws it up. */
  const ribbonPx = computed(() => {
    const usual = Math.min(RIBBON_PX + (laned.value ? LANE_PX : 0), Math.floor(windowPx.value.height / 4))
    return Math.min(here.value.ribbonPx ?? usual, Math.floor(windowPx.value.height * 0.6))
  })
  const ledgerOpen = computed(
    () =>
      here.value.ledgerOpen ??
      (!reading.value || ['takeoff', 'faults'].includes(stage.value) || windowPx.value.width >= NARROW_PX),
  )

  return {
    stage,
    reading,
    ribbonOpen,
    ribbonPx,
    ledgerOpen,
    /** Of the sheet, within a workspace of a width; null for the sheet's own part. */
    sheetPx: (workspacePx: number) =>
      here.value.sheetPx === undefined
        ? null
        : Math.max(LEAST_SHEET_PX, Math.min(here.value.sheetPx, workspacePx - LEAST_PLAN_PX)),
    dragSheet: (px: number) => set({ sheetPx: Math.round(Math.max(LEAST_SHEET_PX, px)) }),
    resetSheet: () => reset('sheetPx'),
    /** Drawn down far enough it folds. */
    dragRibbon: (px: number) =>
      set(px < LEAST_RIBBON_PX ? { ribbonOpen: false } : { ribbonOpen: true, ribbonPx: Math.round(px) }),
    resetRibbon: () => reset('ribbonPx', 'ribbonOpen'),
    /** Unfolded by hand it takes the room it needs. */
    toggleRibbon: () =>
      set(
        ribbonOpen.value
          ? { ribbonOpen: false }
          : { ribbonOpen: true, ribbonPx: here.value.ribbonPx ?? RIBBON_PX + (laned.value ? LANE_PX : 0) },
      ),
    toggleLedger: () => set({ ledgerOpen: !ledgerOpen.value }),
  }
})
