<script setup lang="ts">
import { BarChart, LineChart } from 'echarts/charts'
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import type { EChartsCoreOption } from 'echarts/core'
import { onMounted, onUnmounted, ref, watch } from 'vue'
import { useLook } from '@/shared/look'

use([BarChart, LineChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer])

/** A chart in the look of the page: thin rules, its own colours. */
const props = defineProps<{ option: EChartsCoreOption; label: string }>()
const host = ref<HTMLElement>()
const { look } = useLook()
let chart: EChartsType | undefined
let observer: ResizeObserver | undefined

function draw() {
  if (!host.value) return
  const style = getComputedStyle(host.value)
  const ink = style.getPropertyValue('--ink').trim()
  const rule = style.getPropertyValue('--rule').trim()
  const axis = {
    axisLine: { lineStyle: { color: ink } },
    axisLabel: { color: ink, fontSize: 11 },
    nameTextStyle: { color: ink },
    splitLine: { lineStyle: { color: rule } },
  }
  const merged = (given: unknown): object[] =>
    (Array.isArray(given) ? given : [given]).map((a: object) => ({ ...axis, ...a }))
  chart?.setOption(
    {
      animation: false,
      textStyle: { fontFamily: style.fontFamily, color: ink },
      color: ['--accent', '--earth', '--warn', '--met'].map((c) => style.getPropertyValue(c).trim()),
      tooltip: { trigger: 'axis' },
      ...props.option,
      xAxis: merged(props.option.xAxis),
      yAxis: merged(props.option.yAxis),
    },
    true,
  )
}
onMounted(() => {
  chart = init(host.value!, null, { renderer: 'svg' })
  observer = new ResizeObserver(() => chart?.resize())
  observer.observe(host.value!)
  draw()
})
watch(() => [props.option, look.value], draw)
onUnmounted(() => {
  observer?.disconnect()
  chart?.dispose()
})
</script>

<template><div ref="host" class="chart" role="img" :aria-label="label" /></template>

<style scoped>
.chart {
  width: 100%;
  height: 190px;
}
</style>
