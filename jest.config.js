export default {
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  transform: {
    "^.+\\.tsx?$": [
      "@swc/jest",
      {
        jsc: {
          target: "es2022",
          experimental: { keepImportAttributes: true },
          parser: { syntax: "typescript", tsx: true },
          transform: { react: { runtime: "automatic" } },
        },
        module: { type: "es6" },
      },
    ],
  },
  testMatch: ["<rootDir>/{bin,core,app,db,server,cli,demo,scripts}/**/*.test.{ts,tsx}"],
  testEnvironment: "node",
  setupFiles: ["<rootDir>/scripts/test-seed.ts"],
  // A machine that does other work as well is slow, not wrong.
  testTimeout: 30_000,
  // A part of the tests waits for databases and other programs: both cores have work.
  maxWorkers: 2,
  modulePathIgnorePatterns: ["<rootDir>/build/"],
};
