import { reactRouter } from "@react-router/dev/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [reactRouter()],
  worker: { format: "es" },
  optimizeDeps: { entries: ["app/**/*.tsx"] },
  environments: {
    ssr: { build: { rollupOptions: { input: "./server/app.ts" } } },
  },
});
