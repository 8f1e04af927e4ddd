import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/**
 * With the server away the page still opens: its own files are kept at the first visit, the salon's
 * plain answers as they were last seen. What a visit says and what the core makes of it is kept by the
 * page itself, which knows what was said since (src/shared/offline/kept.ts). A paper that is opened
 * under /api/ is no page: it is asked for as it is, and kept nowhere.
 */
const offline = VitePWA({
  filename: 'offline.js',
  registerType: 'autoUpdate',
  injectRegister: false,
  manifest: false,
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,woff2}'],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/notices\.txt$/],
    cleanupOutdatedCaches: true,
    clientsClaim: true,
    skipWaiting: true,
    inlineWorkboxRuntime: true,
    runtimeCaching: [
      {
        // Settings, words, kit, dogs, what earlier visits tell: nothing that is said during a visit, and no clock.
        urlPattern: ({ url, sameOrigin, request }) =>
          sameOrigin &&
          request.mode !== 'navigate' &&
          url.pathname.startsWith('/api/') &&
          url.search === '' &&
          (url.pathname.endsWith('/past') ||
            !/^\/api\/(health$|(visits|plans|photos|simulated-devices)\/)/.test(url.pathname)),
        handler: 'NetworkFirst',
        options: { cacheName: 'veliform-answers' },
      },
    ],
  },
});

export default defineConfig({
  plugins: [react(), tailwindcss(), offline],
  // No inline data: the content policy allows only files of our own.
  build: { assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:4270' } },
});
