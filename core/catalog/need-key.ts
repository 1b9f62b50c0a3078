/** What may be asked for: what the starter’s things serve, and what stands above it. A typo in the library does not compile. */
import type { instruments } from './starter/instruments'
import type { materials } from './starter/materials'
import type { Row } from './starter/row'

type Lists = (typeof instruments)[keyof typeof instruments] | (typeof materials)[keyof typeof materials]
/** What a row serves; a row that is made says nothing by its type. */
type ServesOf<R> = R extends Row ? (string extends R[2][number] ? never : R[2][number]) : never
type Serves = ServesOf<Lists[number]>
/** Keys that are made of parts: sizes of cords and of preformed crowns. */
type Made = `cord.${string}` | `preformed crown.${string}` | `preveneered crown.${string}`
/** 'cord' for 'cord.00': every size will do. */
type Above<K> = K extends `${infer A}.${infer B}` ? A | K | (B extends `${infer C}.${string}` ? `${A}.${C}` : never) : K
export type NeedKey = Above<Serves> | Made
