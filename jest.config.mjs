const shared = {
  testEnvironment: "node",
  // Half-deleted globals call themselves without end when something sets one late (a connection that is just closing).
  testEnvironmentOptions: { globalsCleanup: "off" },
  transform: {
    "^.+\\.m?[tj]sx?$": [
      "@swc/jest",
      { jsc: { target: "es2022", parser: { syntax: "typescript", tsx: true }, transform: { react: { runtime: "automatic" } } } },
    ],
  },
  transformIgnorePatterns: ["/node_modules/(?!(culori|d3[^/]*|internmap|delaunator|robust-predicates)/)"],
  moduleNameMapper: { "^server-only$": "<rootDir>/tests/empty.ts", "^@/(.*)$": "<rootDir>/src/$1" },
};
const config = {
  projects: [
    { ...shared, displayName: "unit", testMatch: ["<rootDir>/src/**/*.test.ts"] },
    { ...shared, displayName: "reference", testMatch: ["<rootDir>/tests/reference/**/*.test.ts"] },
    {
      ...shared,
      displayName: "integration",
      setupFilesAfterEnv: ["<rootDir>/tests/support/patience.ts"],
      // better-auth and its kin are ES modules throughout.
      transformIgnorePatterns: [],
      testMatch: ["<rootDir>/tests/integration/**/*.test.ts"],
    },
  ],
};

export default config;
