import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin } from 'vite'

/** Every part of the pages by its name, for a bench that goes on while the server is away. */
const parts: Plugin = {
  name: 'parts',
  apply: 'build',
  generateBundle(_options, bundle) {
    const names = Object.keys(bundle).filter((name) => /^assets\/.*\.(js|css|woff2)$/.test(name))
    this.emitFile({
      type: 'asset',
      fileName: 'parts.json',
      source: JSON.stringify(names.sort().map((name) => `/${name}`)),
    })
  },
}

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), parts],
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
