import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** The log keeps itself in IndexedDB, where a load is now is no use when it is old, and the stream never ends: neither may pass through the worker's cache. */
const cacheable = ({ url }: { url: URL }): boolean =>
  url.pathname.startsWith('/api/') &&
  !/\/(stream|events|log\.jsonl|report\.pdf|card\.pdf|calendar\.ics|deliveries|export|clock|health)$/.test(
    url.pathname,
  );

/**
 * Schemas can write themselves as JSON Schema. The page has no use for it, and a phone would fetch it with every screen: of these
 * two modules only their names are sent.
 */
const withoutJsonSchema: Plugin = {
  name: 'without-json-schema',
  transform(code, id) {
    if (!/zod\/v4\/core\/(to-json-schema|json-schema-processors)\.js$/.test(id)) return null;
    const names = [...code.matchAll(/^export (?:function|const) (\w+)/gm)].map((m) => m[1]);
    return `const none = () => none;\nexport { ${names.map((n) => `none as ${n}`).join(', ')}, none as process };`;
  },
};

export default defineConfig({
  publicDir: 'web/public',
  plugins: [
    withoutJsonSchema,
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
        navigateFallbackDenylist: [/^\/(api|docs)\//],
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
  build: {
    outDir: 'dist/web',
    emptyOutDir: true,
    sourcemap: false,
    // Which file brings which: the size of the first load is counted by it.
    manifest: true,
    rolldownOptions: {
      // The polygon library names no side effects and has none: of it only what is called is sent.
      treeshake: { moduleSideEffects: [{ test: /clipper2-ts/, sideEffects: false }] },
      // What every screen stands on is a file of its own, which stays kept when only ours changes.
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'base',
              test: /node_modules\/(react|react-dom|react-router|scheduler|swr|zod|idb)\//,
            },
          ],
        },
      },
    },
  },
  server: {
    port: 5173,
    proxy: { '/api': 'http://127.0.0.1:4180', '/docs': 'http://127.0.0.1:4180' },
  },
});
