// Before the first paint, so that a dim room is not flashed at.
try {
  const kept = localStorage.getItem('jade.theme')
  document.documentElement.dataset.theme =
    kept === 'dim' || kept === 'light' ? kept : matchMedia('(prefers-color-scheme: dark)').matches ? 'dim' : 'light'
} catch {
  document.documentElement.dataset.theme = 'light'
}
