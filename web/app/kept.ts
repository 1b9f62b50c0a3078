/** What this device remembers beyond the page. A browser may refuse: then it lasts as long as the page. */
export const kept = {
  get(key: string): string | null {
    try {
      return localStorage.getItem(key)
    } catch {
      return null
    }
  },
  set(key: string, value: string): void {
    try {
      localStorage.setItem(key, value)
    } catch {
      // Refused: nobody is worse off than on a new device.
    }
  },
}
