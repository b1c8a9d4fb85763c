import babel from "@rolldown/plugin-babel";
import react, { reactCompilerPreset } from "@vitejs/plugin-react";
import { defineConfig } from "vite";

// The build is served by the Django server; in development Vite hands the API on to it.
export default defineConfig({
  // The compiler draws anew only what an answer changed: a verdict must stand there at once.
  plugins: [react(), babel({ presets: [reactCompilerPreset()] })],
  build: { target: "es2022", assetsInlineLimit: 0 },
  server: { proxy: { "/api": "http://127.0.0.1:8420" } },
});
