import babel from "@rolldown/plugin-babel";
import react, { reactCompilerPreset } from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

// The build is served by the Django server; in development Vite hands the API on to it.
export default defineConfig({
  // The compiler draws anew only what an answer changed: a verdict must stand there at once.
  plugins: [react(), babel({ presets: [reactCompilerPreset()] })],
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
