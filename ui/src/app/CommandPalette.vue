<script setup lang="ts">
import { computed, ref, watch } from 'vue'

export interface Command {
  text: string
  key?: string
  run: () => void
}
const props = defineProps<{ commands: Command[] }>()
const open = defineModel<boolean>({ required: true })
const query = ref('')
const at = ref(0)
const field = ref<{ focus: () => void } | null>(null)

const found = computed(() => {
  const words = query.value.toLowerCase().split(/\s+/).filter(Boolean)
  return props.commands.filter((c) => words.every((w) => c.text.toLowerCase().includes(w))).slice(0, 12)
})
watch(query, () => (at.value = 0))
watch(open, () => {
  query.value = ''
  at.value = 0
})

function run(command: Command | undefined) {
  if (!command) return
  open.value = false
  command.run()
}
</script>

<template>
  <v-dialog
    v-model="open"
    :transition="false"
    max-width="480"
    aria-label="All commands"
    @after-enter="field?.focus()"
  >
    <v-card class="pa-3">
      <v-text-field
        ref="field"
        v-model="query"
        autofocus
        label="Type what you want to do"
        @keydown.down.prevent="at = Math.min(at + 1, found.length - 1)"
        @keydown.up.prevent="at = Math.max(at - 1, 0)"
        @keydown.enter.prevent="run(found[at])"
      />
      <ul class="list" role="listbox" aria-label="Commands">
        <li
          v-for="(c, i) in found"
          :key="c.text"
          role="option"
          :aria-selected="i === at"
          :class="{ at: i === at }"
          @click="run(c)"
        >
          <span>{{ c.text }}</span><span v-if="c.key" class="key">{{ c.key }}</span>
        </li>
        <li v-if="found.length === 0" class="quiet-text">No command of that name.</li>
      </ul>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.list {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  padding: 6px 10px;
  cursor: pointer;
  border-left: 4px solid transparent;
}
li.at {
  background: var(--accent-wash);
  border-left-color: var(--accent);
}
</style>
