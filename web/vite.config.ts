import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react()],
  build: {
    outDir: '../build/web',
    emptyOutDir: true,
    manifest: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 700,
  },
  // npm run dev: the server stands beside.
  server: {
    proxy: { '/api': { target: `http://127.0.0.1:${process.env.EKROND_PORT ?? '4180'}`, ws: true } },
  },
})
