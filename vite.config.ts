import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** The log keeps itself in IndexedDB and the stream never ends: neither may pass through the worker's cache. */
const cacheable = ({ url }: { url: URL }): boolean =>
  url.pathname.startsWith('/api/') &&
  !/\/(stream|events|log\.jsonl|report\.pdf|export|clock|health)$/.test(url.pathname);

export default defineConfig({
  publicDir: 'web/public',
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: false,
      manifest: {
        name: 'Jactum',
        short_name: 'Jactum',
        theme_color: '#1E2528',
        background_color: '#F5F1E8',
        display: 'standalone',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        clientsClaim: true,
        skipWaiting: true,
        importScripts: ['claim.js'],
        globIgnores: ['claim.js'],
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        runtimeCaching: [
          {
            urlPattern: cacheable,
            method: 'GET',
            handler: 'NetworkFirst',
            options: {
              cacheName: 'api',
              networkTimeoutSeconds: 3,
              expiration: { maxEntries: 120 },
            },
          },
        ],
      },
    }),
  ],
  worker: { format: 'es' },
  // Libraries stand in a file of their own, which stays kept when only ours changes. Stations are not fetched one by one: a page that
  // stands open over an update would look for files that are gone.
  build: {
    outDir: 'dist/web',
    emptyOutDir: true,
    sourcemap: false,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      output: { codeSplitting: { groups: [{ name: 'libraries', test: /node_modules/ }] } },
    },
  },
  server: { port: 5173, proxy: { '/api': 'http://127.0.0.1:4180' } },
});
