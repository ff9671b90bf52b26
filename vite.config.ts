import { resolve } from "node:path";
import { reactRouter } from "@react-router/dev/vite";
import { defineConfig } from "vite";

/** What every screen loads: the program itself and the frame round the screens. */
const EVERYWHERE = ["app/entry.client.tsx", "app/root.tsx", "app/routes/inside.tsx"].map((path) => resolve(path));

interface Modules {
  getModuleInfo(id: string): { readonly importedIds: readonly string[] } | null;
}

/** Modules that are part of every screen, by what these files import. */
const everywhere = new Set<string>();
function isEverywhere(id: string, modules: Modules): boolean {
  if (everywhere.size === 0) {
    const todo = [...EVERYWHERE];
    for (let next = todo.pop(); next !== undefined; next = todo.pop()) {
      if (everywhere.has(next)) continue;
      everywhere.add(next);
      todo.push(...(modules.getModuleInfo(next)?.importedIds ?? []));
    }
  }
  return everywhere.has(id);
}

export default defineConfig({
  plugins: [reactRouter()],
  // The PDF package would bring a renderer of web pages along, which no screen needs.
  resolve: {
    alias: Object.fromEntries(
      ["html2canvas", "canvg", "dompurify"].map((name) => [name, resolve("app/paper/not-needed.ts")]),
    ),
  },
  worker: { format: "es" },
  optimizeDeps: { entries: ["app/**/*.tsx"] },
  environments: {
    client: {
      build: {
        rollupOptions: {
          output: {
            codeSplitting: {
              // A request costs more than a few bytes that one screen does not need: what many share is sent together.
              groups: [
                { name: (id, modules) => (isEverywhere(id, modules) ? "base" : null), priority: 3 },
                { name: "fields", minShareCount: 14, test: /node_modules\/@mui\//, priority: 2 },
                { name: "parts", minShareCount: 14, test: /\/app\//, priority: 1 },
                { name: "icons", minShareCount: 2, test: /node_modules\/@mui\/icons-material\//, priority: 3 },
                { name: "drawing", minShareCount: 3, test: /\/app\/(drawing|paper)\//, priority: 1 },
              ],
            },
          },
        },
      },
    },
    // This package has folders for entries, which Node does not read as modules: it is built in.
    ssr: { resolve: { noExternal: [/^@atlaskit\//] }, build: { rollupOptions: { input: "./server/app.ts" } } },
  },
});
