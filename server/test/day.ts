/** 2026-11-24 08:00 UTC: the demo day of the server's tests. */
export const eight = Date.UTC(2026, 10, 24, 8)
export const day = '2026-11-24'
