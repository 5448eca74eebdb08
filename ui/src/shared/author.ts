import { ref, watch } from 'vue'
import { keepText, keptText } from './kept'

const KEY = 'buckle.author'
const HEADER = 'Buckle-Author'

/** Who works on this device, typed once; what is saved says so. */
export const author = ref(keptText(KEY) ?? '')
watch(author, (name) => keepText(KEY, name.trim()))

/** The same request, saying who sends it. */
export function signed(request: Request): Request {
  const name = author.value.trim()
  if (name === '') return request
  const copy = new Request(request)
  copy.headers.set(HEADER, encodeURIComponent(name))
  return copy
}
