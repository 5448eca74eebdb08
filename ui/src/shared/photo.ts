const MOST_PX = 1600
const SMALL_BYTES = 1_500_000

/** A photo as small as it may be to be looked at again: the phone's own has several megabytes. Otherwise as it is. */
export async function smallPhoto(file: Blob): Promise<Blob> {
  if (file.size <= SMALL_BYTES || typeof createImageBitmap === 'undefined') return file
  try {
    const picture = await createImageBitmap(file)
    const scale = Math.min(1, MOST_PX / Math.max(picture.width, picture.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(picture.width * scale)
    canvas.height = Math.round(picture.height * scale)
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
    const small = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.82))
    return small && small.size < file.size ? small : file
  } catch {
    return file
  }
}
