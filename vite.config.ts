import { reactRouter } from "@react-router/dev/vite";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [reactRouter()],
  worker: { format: "es" },
  optimizeDeps: { entries: ["app/**/*.tsx"] },
  environments: {
    // This package has folders for entries, which Node does not read as modules: it is built in.
    ssr: { resolve: { noExternal: [/^@atlaskit\//] }, build: { rollupOptions: { input: "./server/app.ts" } } },
  },
});
