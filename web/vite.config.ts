import babel from "@rolldown/plugin-babel";
import react, { reactCompilerPreset } from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";

import { CORE_CACHE, coreBesideScripts } from "./core.plugin";

// The build is served by the Django server; in development Vite hands the API on to it.
export default defineConfig({
  // The compiler draws anew only what an answer changed: a verdict must stand there at once.
  plugins: [
    react(),
    babel({ presets: [reactCompilerPreset()] }),
    coreBesideScripts(),
    VitePWA({
      // A new version is fetched whole and told; it is taken when a person says so, never under a half-typed value.
      registerType: "prompt",
      injectRegister: false,
      manifest: {
        name: "Outer Test",
        short_name: "Outer Test",
        description: "At the outdoor unit: what to measure, what the number says, and what is still off.",
        display: "standalone",
        background_color: "#f1eee5",
        theme_color: "#1b2624",
        icons: [{ src: "/mark.svg", sizes: "any", type: "image/svg+xml", purpose: "any" }],
      },
      workbox: {
        globPatterns: ["index.html", "mark.svg", "assets/*.{js,css,woff2}"],
        importScripts: ["keep-core.js"],
        navigateFallback: "/index.html",
        navigateFallbackDenylist: [/^\/api\//, /^\/static\//, /^\/shared\//],
        // The core's files are put into their cache one by one (device/keepApp.ts); precaching files this large fails.
        runtimeCaching: [
          {
            urlPattern: /\/assets\/(?:pyodide-|core-).*/,
            handler: "CacheFirst",
            options: { cacheName: CORE_CACHE, matchOptions: { ignoreVary: true } },
          },
        ],
        clientsClaim: true,
        cleanupOutdatedCaches: true,
      },
    }),
  ],
  worker: { format: "es" },
  build: {
    target: "es2022",
    assetsInlineLimit: 0,
    license: { fileName: "licences.json" },
    rolldownOptions: {
      // The library writes its theme with these; told that they do nothing else, the parts not used are left out.
      treeshake: {
        manualPureFunctions: [
          "defineConfig",
          "defineRecipe",
          "defineSlotRecipe",
          "defineTokens",
          "defineSemanticTokens",
          "defineTextStyles",
          "defineLayerStyles",
          "defineAnimationStyles",
          "defineKeyframes",
          "mergeConfigs",
          "createSystem",
        ],
      },
    },
  },
  test: { environment: "jsdom", include: ["src/**/*.test.{ts,tsx}"] },
  server: { proxy: { "/api": "http://127.0.0.1:8420" } },
});
