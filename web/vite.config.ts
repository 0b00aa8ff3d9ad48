import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

import { catalogues } from "./po.ts";
import { groups, preloads } from "./firstPage.ts";

export default defineConfig({
  plugins: [react(), tailwindcss(), catalogues(), preloads()],
  build: {
    outDir: "../src/yardcliff/static",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 700,
    target: "es2022",
    rolldownOptions: { output: { codeSplitting: { groups } } },
  },
  server: { fs: { allow: [".."] }, proxy: { "/api": { target: "http://127.0.0.1:8722", ws: true } } },
  test: { include: ["src/**/*.test.{ts,tsx}"], setupFiles: "src/speaking.ts" },
});
