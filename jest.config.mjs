const shared = {
  testEnvironment: "node",
  transform: { "^.+\\.(t|j)sx?$": ["@swc/jest", { jsc: { target: "es2022", parser: { syntax: "typescript", tsx: true }, transform: { react: { runtime: "automatic" } } } }] },
  transformIgnorePatterns: ["/node_modules/(?!(d3[^/]*|internmap|delaunator|robust-predicates)/)"],
  moduleNameMapper: { "^server-only$": "<rootDir>/tests/empty.ts", "^@/(.*)$": "<rootDir>/src/$1" },
};
export default {
  projects: [
    { ...shared, displayName: "unit", testMatch: ["<rootDir>/src/**/*.test.ts"] },
    { ...shared, displayName: "reference", testMatch: ["<rootDir>/tests/reference/**/*.test.ts"] },
    {
      ...shared,
      displayName: "integration",
      testMatch: ["<rootDir>/tests/integration/**/*.test.ts"],
    },
  ],
};
