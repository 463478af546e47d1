import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import { wordsWithTheRegister } from './scripts/words-of-calculations.ts';

/**
 * The log keeps itself in IndexedDB, where a load is now is no use when it is old, and the stream
 * never ends: neither may pass through the worker's cache.
 */
const cacheable = ({ url }: { url: URL }): boolean =>
  url.pathname.startsWith('/api/') &&
  !/\/(stream|events|log\.jsonl|report\.pdf|card\.pdf|calendar\.ics|deliveries|export|clock|health)$/.test(
    url.pathname,
  );

/**
 * Schemas can write themselves as JSON Schema. The page has no use for it, and a phone would fetch
 * it with every screen: of these two modules only their names are sent.
 */
const withoutJsonSchema: Plugin = {
  name: 'without-json-schema',
  transform(code, id) {
    if (!/zod\/v4\/core\/(to-json-schema|json-schema-processors)\.js$/.test(id)) return null;
    const names = [...code.matchAll(/^export (?:function|const) (\w+)/gm)].map((m) => m[1]);
    return `const none = () => none;\nexport { ${names.map((n) => `none as ${n}`).join(', ')}, none as process };`;
  },
};

/**
 * What is wrong with a figure is said in our own words (core/kit/limit-words.ts and the schemas):
 * the schemas' English is never shown, and is not sent.
 */
const withoutTheirWords: Plugin = {
  name: 'without-their-words',
  transform: (_code, id) =>
    /zod\/v4\/locales\/en\.js$/.test(id)
      ? 'export default () => ({ localeError: () => undefined });'
      : null,
};

/**
 * The router names its forms, lists of data and their like for the tools of whoever writes code, and
 * so makes and sends them whether anybody asks or not, with all they stand on.
 */
const withoutNamesOfParts: Plugin = {
  name: 'without-names-of-parts',
  transform: (code, id) =>
    /react-router\/dist\/production\/chunk-\w+\.mjs$/.test(id)
      ? code.replace(/^\w+\.displayName = "\w+";$/gm, '')
      : null,
};

/** What stands in for what a scale asks for, by the package it asks. */
const FOR_SCALES: Readonly<Record<string, URL>> = {
  'd3-interpolate': new URL('web/drawing/interpolate-numbers.ts', import.meta.url),
  'd3-format': new URL('web/drawing/no-tick-format.ts', import.meta.url),
};
/**
 * The charts' scales put numbers between numbers, and core/units writes them. The library's general
 * interpolation, which they ask for, brings every colour space along, and its format every way to
 * write a number: the scales are answered with what they use alone.
 */
const numbersForScales: Plugin = {
  name: 'numbers-for-scales',
  enforce: 'pre',
  resolveId(source, importer) {
    const ours = FOR_SCALES[source];
    if (ours === undefined || !/node_modules\/d3-scale\//.test(importer ?? '')) return null;
    return fileURLToPath(ours);
  },
};

export default defineConfig({
  publicDir: 'web/public',
  plugins: [
    withoutJsonSchema,
    withoutTheirWords,
    withoutNamesOfParts,
    numbersForScales,
    wordsWithTheRegister,
    react(),
    tailwindcss(),
    // Packed once, here, and not for every phone that asks.
    compression({ algorithms: ['gzip'], include: /\.(js|css|html|svg)$/ }),
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
  // Of two builds of the router the package names the one that warns while one writes code.
  resolve: {
    alias: {
      'react-router': fileURLToPath(
        new URL('node_modules/react-router/dist/production/index.mjs', import.meta.url),
      ),
    },
  },
  worker: { format: 'es' },
  build: {
    outDir: 'dist/web',
    emptyOutDir: true,
    sourcemap: false,
    // Which file brings which: the size of the first load is counted by it.
    manifest: true,
    // Every script with parts would carry a list of all that those parts want: a tenth of what a
    // phone first fetches. What is not open yet is fetched at rest anyhow.
    modulePreload: {
      polyfill: false,
      resolveDependencies: (_file, wanted, { hostType }) => (hostType === 'html' ? wanted : []),
    },
    rolldownOptions: {
      // Forms, lists of data and their like of the router are made whether anybody asks or not, and
      // bring all they stand on: what React makes of a component is nothing unless it is used.
      treeshake: {
        manualPureFunctions: [
          'React.createContext',
          'React2.createContext',
          'React3.memo',
          'React8.createContext',
          'React10.forwardRef',
        ],
      },
      // What every screen stands on is a file of its own, which stays kept when only ours changes.
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'base',
              test: /node_modules\/(react|react-dom|react-router|react-error-boundary|scheduler|swr|use-sync-external-store|dequal|zod|idb|uuid|@date-fns)\//,
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
