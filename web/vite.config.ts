import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const MAIN = fileURLToPath(new URL('src/main.tsx', import.meta.url));

type Modules = { getModuleInfo: (id: string) => { importedIds: readonly string[] } | null };

/** All that the page needs before any room. */
function beforeRooms(modules: Modules): Set<string> {
  const needed = new Set<string>();
  const need = (id: string): void => {
    if (needed.has(id) || /\/(core|contract)\//.test(id)) return;
    needed.add(id);
    for (const other of modules.getModuleInfo(id)?.importedIds ?? []) need(other);
  };
  need(MAIN);
  return needed;
}

/** The page names what draws it: fetched with the first lines, not after them. */
const withMain: Plugin = {
  name: 'with-main',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle }) => {
      const chunks = Object.values(bundle ?? {}).filter((made) => made.type === 'chunk');
      const main = chunks.find(({ moduleIds }) => moduleIds.includes(MAIN));
      return [...(main?.imports ?? []), main?.fileName].flatMap((file) =>
        file ? [{ tag: 'link', attrs: { rel: 'modulepreload', crossorigin: true, href: `/${file}` } }] : [],
      );
    },
  },
};

/** A phone fetches six files at a time, each after a whole journey there and back: few files, and no room what is another's alone. */
const inFewFiles = [
  // The first lines of all, and how a file is fetched.
  { name: 'start', test: /start\.ts$|styles\.css$|room(Files|Asks)\.ts$|preload-helper/, priority: 3 },
  {
    name: (id: string, modules: Modules) => (beforeRooms(modules).has(id) ? 'kibble' : null),
    priority: 2,
  },
  { name: 'shared', minShareCount: 4, priority: 1 },
];

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    withMain,
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src/worker',
      filename: 'sw.ts',
      injectRegister: false,
      manifest: {
        id: '/',
        name: 'Kibble',
        short_name: 'Kibble',
        description: 'A watering plan bed by bed, on real soil physics',
        start_url: '/',
        scope: '/',
        display: 'standalone',
        background_color: '#f6f1e6',
        theme_color: '#f6f1e6',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-512-full.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
    }),
  ],
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    manifest: true,
    // Of a room all files are asked for at once, by the first lines; what a room opens later has its own few.
    modulePreload: {
      polyfill: false,
      resolveDependencies: (file, needed, { hostId, hostType }) =>
        hostType === 'js' && /\/start-/.test(hostId) && !/\/kibble-/.test(file)
          ? needed.filter((one) => !/\/(kibble|start|rolldown-runtime)-/.test(one))
          : [],
    },
    rolldownOptions: { output: { codeSplitting: { groups: inFewFiles } } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:5180' } },
});
