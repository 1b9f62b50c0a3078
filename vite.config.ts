import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  root: 'web',
  plugins: [react(), tailwindcss()],
  build: { outDir: '../dist/web', emptyOutDir: true, target: 'es2022', manifest: true, chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4870', ws: true } } },
})
