/** What the cupboard answers: stock, and what was taken in. */
import { unreadView } from './unread'
import * as z from 'zod'
import { item } from '../core/catalog/item'
import type { StockLine } from '../core/schedule/stock'
import { date, noun } from './noun'

export const importedView = z.strictObject({ stored: z.number().int() })
export const starterView = z.strictObject({ items: z.number().int(), burs: z.number().int() })

export const stockView = z.strictObject({
  /** Visits of these days that cannot be read: what they take is not in here. */
  unread: z.array(unreadView),
  from: date,
  to: date,
  visits: z.number().int(),
  lines: z.array(
    noun<StockLine>({
      itemId: z.string(),
      name: z.string(),
      unit: item.shape.unit.unwrap(),
      left: z.number(),
      needed: z.number(),
      short: z.strictObject({ date, visitId: z.string(), by: z.number() }).optional(),
      wasted: z.array(z.strictObject({ number: z.string(), expires: date, amount: z.number() })),
      opened: z.array(z.strictObject({ number: z.string(), left: z.number() })),
      order: z.number(),
    }),
  ),
})
export type StockView = z.infer<typeof stockView>
