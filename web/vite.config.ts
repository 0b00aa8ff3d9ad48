import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

import { catalogues } from "./po.ts";

export default defineConfig({
  plugins: [react(), tailwindcss(), catalogues()],
  build: {
    outDir: "../src/yardcliff/static",
    emptyOutDir: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 700,
    target: "es2022",
  },
  server: { fs: { allow: [".."] }, proxy: { "/api": { target: "http://127.0.0.1:8722", ws: true } } },
  test: { include: ["src/**/*.test.{ts,tsx}"], setupFiles: "src/speaking.ts" },
});
