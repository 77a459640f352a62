import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

const page = (name: string): string => fileURLToPath(new URL(name, import.meta.url))

// Two pages: the teachers' application, and the small one that students open on their phones.
export default defineConfig({
  plugins: [react(), tailwindcss()],
  worker: { format: 'es' },
  build: {
    outDir: page('../../dist/web'),
    emptyOutDir: true,
    target: 'es2022',
    rolldownOptions: { input: { index: page('index.html'), play: page('play.html') } },
  },
})
