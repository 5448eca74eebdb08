<script setup lang="ts">
import { computed, onUnmounted, ref } from 'vue'
import { storePicture, RequestFailed } from '@/api/client'
import type { Position } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { bearing, planeAt } from '@/model/plane'
import { useTool } from '@/model/tool'
import { announce } from '@/shared/announce'
import { parseLengthM, unitName } from '@/shared/units'
import { newId } from '@/shared/uuid'

const props = defineProps<{ file: File; picture: { widthPx: number; heightPx: number } }>()
const emit = defineEmits<{ done: []; leave: [] }>()
const job = useJob()
const { draw } = useTool()
const url = URL.createObjectURL(props.file)
onUnmounted(() => URL.revokeObjectURL(url))
const points = ref<{ x: number; y: number }[]>([])
const distance = ref('')
const lengthM = computed(() => parseLengthM(distance.value, job.units))
const waiting = ref(false)
const failure = ref('')

function pick(e: MouseEvent) {
  const box = (e.currentTarget as HTMLElement).getBoundingClientRect()
  const at = {
    x: ((e.clientX - box.left) / box.width) * props.picture.widthPx,
    y: ((e.clientY - box.top) / box.height) * props.picture.heightPx,
  }
  points.value = points.value.length >= 2 ? [at] : [...points.value, at]
}

const shown = (p: { x: number; y: number }) => ({
  left: `${(p.x / props.picture.widthPx) * 100}%`,
  top: `${(p.y / props.picture.heightPx) * 100}%`,
})

/** The two points are now clicked on the plan: the first gives the place, the second the direction. */
function place() {
  waiting.value = true
  draw({
    what: 'points',
    count: 2,
    say: 'Click where the first point lies, then the second.',
    done: (at) => void store(at),
  })
}

async function store(at: Position[]) {
  waiting.value = false
  const [a, b] = points.value
  if (!a || !b || lengthM.value === null) return
  const plane = planeAt(at[0]!)
  try {
    const stored = await storePicture(props.file, props.file.name)
    job.changeLand((l) => ({
      ...l,
      underlays: [
        ...l.underlays,
        {
          id: newId(),
          name: stored.name,
          hash: stored.hash,
          widthPx: stored.widthPx,
          heightPx: stored.heightPx,
          x1: a.x,
          y1: a.y,
          x2: b.x,
          y2: b.y,
          distanceM: lengthM.value!,
          at: at[0]!,
          bearingDeg: bearing([0, 0], plane.toPlane(at[1]!)),
          opacity: 0.6,
        },
      ],
    }))
    announce('The picture lies under the plan.')
    emit('done')
  } catch (e) {
    failure.value = e instanceof RequestFailed ? e.message : 'The picture could not be stored.'
  }
}
</script>

<template>
  <div data-test="picture-placer">
    <h2>A picture under the plan</h2>
    <p class="quiet-text">
      Nothing is stored yet. {{ picture.widthPx }} × {{ picture.heightPx }} pixels. Click two points on it
      whose distance you know.
    </p>
    <div class="picture" data-test="picture" @click="pick">
      <img :src="url" :alt="file.name" />
      <b v-for="(p, i) in points" :key="i" :style="shown(p)">{{ i + 1 }}</b>
    </div>
    <label>
      True distance from 1 to 2, {{ unitName(job.units) }}
      <input v-model="distance" class="field" data-test="picture-distance" />
    </label>
    <p v-if="waiting" class="offer">Click on the plan where point 1 lies, then point 2.</p>
    <p v-if="failure" class="problems" role="alert">{{ failure }}</p>
    <v-btn
      class="strong mr-2 mt-2"
      data-test="place-picture"
      :disabled="points.length < 2 || lengthM === null || lengthM < 0.5"
      @click="place"
      >Place it on the plan</v-btn
    >
    <v-btn class="mt-2" @click="emit('leave')">Cancel</v-btn>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  border: 1px solid var(--rule-strong);
  cursor: crosshair;
  margin-bottom: 8px;
}
.picture img {
  display: block;
  width: 100%;
}
.picture b {
  position: absolute;
  translate: -50% -50%;
  width: 22px;
  height: 22px;
  border-radius: 50%;
  background: var(--accent);
  color: var(--on-ink);
  text-align: center;
  line-height: 22px;
  font-size: 13px;
}
.offer {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 8px 12px;
}
</style>
