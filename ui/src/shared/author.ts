import { ref, watch } from 'vue'

const KEY = 'buckle.author'
const HEADER = 'Buckle-Author'

function kept(): string {
  try {
    return localStorage.getItem(KEY) ?? ''
  } catch {
    return ''
  }
}

/** Who works on this device, typed once; what is saved says so. */
export const author = ref(kept())
watch(author, (name) => {
  try {
    localStorage.setItem(KEY, name.trim())
  } catch {
    // Without storage the name lasts as long as the page.
  }
})

/** The same request, saying who sends it. */
export function signed(request: Request): Request {
  const name = author.value.trim()
  if (name === '') return request
  const copy = new Request(request)
  copy.headers.set(HEADER, encodeURIComponent(name))
  return copy
}
