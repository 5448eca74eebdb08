<script setup lang="ts">
import type { Circumstances } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useElectrics } from '@/model/useElectrics'
import { usePowerChoices } from '@/model/usePowerChoices'

const { circumstances, setCircumstances, pending, failed } = useElectrics()
const choices = usePowerChoices()
const value = (e: Event) => (e.target as HTMLSelectElement).value
</script>

<template>
  <div class="conditions">
    <label
      >Growth <RuleChips :rules="['V12']" />
      <select
        :value="circumstances.growth"
        data-test="growth"
        @change="setCircumstances({ growth: value($event) as Circumstances['growth'] })"
      >
        <option v-for="g in choices?.growth" :key="g.id" :value="g.id">{{ g.text }}</option>
      </select>
    </label>
    <label
      >Insulators
      <select
        :value="circumstances.insulators"
        data-test="insulators"
        @change="setCircumstances({ insulators: value($event) as Circumstances['insulators'] })"
      >
        <option v-for="i in choices?.insulators" :key="i.id" :value="i.id">{{ i.text }}</option>
      </select>
    </label>
    <label
      >Ground <RuleChips :rules="['G12']" />
      <select
        :value="circumstances.ground"
        data-test="ground-state"
        @change="setCircumstances({ ground: value($event) as Circumstances['ground'] })"
      >
        <option v-for="g in choices?.ground" :key="g.id" :value="g.id">{{ g.text }}</option>
      </select>
    </label>
    <span
      class="small quiet-text"
      :class="{ settled: !failed && !pending }"
      role="status"
      data-test="electrics-state"
      >{{ failed || (pending ? 'calculating …' : 'up to date') }}</span
    >
  </div>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
.conditions {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: end;
  padding-bottom: 7px;
  margin: -8px 0 10px;
  border-bottom: 1px solid var(--rule);
}
.conditions label {
  margin: 0;
  flex: 1 1 86px;
  min-width: 0;
  font-size: 12.5px;
  line-height: 24px;
}
.conditions select {
  padding: 3px 4px;
}
.conditions .small {
  flex: 1 0 100%;
}
.conditions .settled {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
</style>
