import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { offlineWorker } from "./offlineWorker";

export default defineConfig({
  plugins: [react(), tailwindcss(), offlineWorker()],
  build: { target: "es2022", assetsInlineLimit: 0, modulePreload: { polyfill: false } },
  server: { proxy: { "/api": "http://127.0.0.1:8741" } },
});
