import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

// The build is served by the Django server; in development Vite hands the API on to it.
export default defineConfig({
  plugins: [react()],
  build: { target: "es2022", assetsInlineLimit: 0 },
  server: { proxy: { "/api": "http://127.0.0.1:8420" } },
});
