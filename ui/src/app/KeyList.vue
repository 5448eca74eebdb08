<script setup lang="ts">
const open = defineModel<boolean>({ required: true })
const keys: [string, string][] = [
  ['1 2 3 4 6', 'Survey, Layout, Electrics, Takeoff, Test'],
  [', .', 'step post by post'],
  ['< >', 'step from strong post to strong post'],
  ['+ − 0', 'ribbon closer, wider, the whole line'],
  ['R', 'fold the ribbon down to its figures, and up again'],
  ['V', 'select and move'],
  ['D', 'draw a fence line; Enter ends it, Escape drops it'],
  ['A', 'add a corner to a side'],
  ['G', 'place a gate; Enter places it at the cursor'],
  ['C', 'place a cut-out; Enter places it at the cursor'],
  ['E', 'place the energizer; Enter places it at the cursor'],
  ['[ ]', 'select the corner before or after'],
  ['arrows', 'move what is selected by half a metre, with Shift by five'],
  ['Delete', 'remove what is selected'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['Ctrl S', 'save now'],
  ['Ctrl K', 'all commands'],
  ['F', 'show the whole job'],
  ['U', 'feet and inches or metres'],
  ['?', 'this list'],
]
</script>

<template>
  <v-dialog v-model="open" :transition="false" max-width="520" aria-label="Keys">
    <v-card class="pa-5">
      <h2>Keys</h2>
      <table class="sheet mt-2">
        <tbody>
          <tr v-for="[key, text] in keys" :key="key">
            <td style="white-space: nowrap">
              <span v-for="k in key.split(', ')" :key="k" class="key mr-1">{{ k }}</span>
            </td>
            <td>{{ text }}</td>
          </tr>
        </tbody>
      </table>
      <div class="mt-3"><v-btn @click="open = false">Close</v-btn></div>
    </v-card>
  </v-dialog>
</template>
