import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

const MAIN = fileURLToPath(new URL('src/main.tsx', import.meta.url));
const ROUND = fileURLToPath(new URL('src/rooms/round/RoundRoom.tsx', import.meta.url));

type Modules = { getModuleInfo: (id: string) => { importedIds: readonly string[] } | null };

/** All of the interface that a file leans on. Of what is one large shelf the bundler adds what is taken, and no more. */
function behind(file: string, modules: Modules): Set<string> {
  const needed = new Set<string>();
  const need = (id: string): void => {
    if (needed.has(id) || /\/(core|contract|d3|date-fns)\//.test(id)) return;
    needed.add(id);
    for (const other of modules.getModuleInfo(id)?.importedIds ?? []) need(other);
  };
  need(file);
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
  { name: 'start', test: /start\.ts$|styles\.css$|room(Files|Asks)\.ts$|preload-helper/, priority: 4 },
  { name: (id: string, modules: Modules) => (behind(MAIN, modules).has(id) ? 'kibble' : null), priority: 3 },
  // The round is what most mornings begin with: it comes without what only other rooms share.
  { name: (id: string, modules: Modules) => (behind(ROUND, modules).has(id) ? 'round' : null), priority: 2 },
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
    // Packed once, as small as it goes, and sent as it lies; a browser takes brotli from the machine itself and over TLS alone.
    compression({
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip', { level: 9 })],
      include: /assets\/.*\.(js|css)$/,
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
