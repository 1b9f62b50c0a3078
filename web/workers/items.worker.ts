/** Reads a list off the main thread, so that ten thousand rows do not freeze the page. */
import type { Item } from '../../core/catalog/item'
import { previewItems } from '../../core/formats/items-csv'

self.addEventListener('message', (e: MessageEvent<{ csv: string; owned: Item[] }>) => {
  self.postMessage(previewItems(e.data.csv, e.data.owned))
})
