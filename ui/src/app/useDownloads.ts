import { onMounted, onUnmounted } from 'vue'
import { download, RequestFailed } from '@/api/client'
import { useDocument } from '@/model/document'
import { announce } from '@/shared/announce'

const FILE = /^\/api\/(jobs\/[^/]+\/[^/]+|quotes\/\d+\/\d+\/quote|price-book)\.[a-z]+$/

/**
 * Links to files are fetched here: what is not saved yet is saved first, whoever waits sees progress, and a refusal is said instead of
 * taking the place of the page.
 */
export function useDownloads() {
  const job = useDocument()

  async function fetchFile(path: string) {
    try {
      if (job.id && path.includes(job.id)) await job.saveNow()
      const { name, blob } = await download(path)
      const link = document.createElement('a')
      link.href = URL.createObjectURL(blob)
      link.download = name
      link.click()
      setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
    } catch (e) {
      announce(e instanceof RequestFailed ? e.message : 'The file could not be made.')
    }
  }

  function onClick(e: MouseEvent) {
    const link = (e.target as HTMLElement).closest?.('a')
    const path = link?.getAttribute('href') ?? ''
    if (!FILE.test(path.split('?')[0]!) || e.ctrlKey || e.metaKey || e.shiftKey || e.button !== 0) return
    e.preventDefault()
    void fetchFile(path)
  }
  onMounted(() => document.addEventListener('click', onClick))
  onUnmounted(() => document.removeEventListener('click', onClick))
}
