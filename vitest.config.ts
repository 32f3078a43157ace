import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const src = fileURLToPath(new URL("./src", import.meta.url));
export default defineConfig({
  resolve: { alias: { "@": src, "server-only": fileURLToPath(new URL("./tests/support/server-only.ts", import.meta.url)) } },
  test: {
    projects: [
      { extends: true, test: { name: "unit", include: ["src/**/*.test.ts"], testTimeout: 30000 } },
      { extends: true, test: { name: "integration", include: ["tests/integration/**/*.test.ts"], testTimeout: 60000, hookTimeout: 60000, fileParallelism: false } },
    ],
  },
});
