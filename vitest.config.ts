import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const src = fileURLToPath(new URL("./src", import.meta.url));
export default defineConfig({
  resolve: {
    alias: { "@": src },
  },
  test: {
    maxWorkers: 2,
    projects: [
      // Limits are wide, for machines that are shared: a test that hangs still ends, and none fails for being slow.
      // The files of the unit tests share their modules: all they import is pure, and the compiled flora is read once a worker.
      {
        extends: true,
        test: {
          name: "unit",
          include: ["src/**/*.test.ts", "tests/words/**/*.test.ts", "tests/docs/**/*.test.ts"],
          exclude: ["src/flora/**"],
          testTimeout: 120000,
          pool: "threads",
          isolate: false,
        },
      },
      // What is checked on the flora that ships: minutes, where the unit tests on tiny floras take seconds.
      {
        extends: true,
        test: {
          name: "flora",
          include: ["src/flora/**/*.test.ts", "tests/flora/**/*.test.ts"],
          testTimeout: 120000,
          pool: "threads",
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          name: "http",
          include: ["tests/http/**/*.test.ts"],
          testTimeout: 240000,
          hookTimeout: 120000,
          fileParallelism: false,
        },
      },
      {
        extends: true,
        test: { name: "last", include: ["tests/last/**/*.test.ts"], testTimeout: 600000, fileParallelism: false },
      },
      {
        extends: true,
        test: {
          name: "integration",
          include: ["tests/integration/**/*.test.ts"],
          testTimeout: 240000,
          hookTimeout: 120000,
          fileParallelism: false,
          maxConcurrency: 2,
        },
      },
    ],
  },
});
