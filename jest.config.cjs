const swc = [
  "@swc/jest",
  {
    jsc: {
      parser: { syntax: "typescript", tsx: true },
      target: "es2022",
      transform: { react: { runtime: "automatic" } },
    },
  },
];

/** @type {import("jest").Config} */
module.exports = {
  // Coverage and reports go where nothing is committed.
  coverageDirectory: "<rootDir>/.build/coverage",
  testMatch: ["<rootDir>/{core,data,server,db,cli,host,tools,workers,screens,ui,demo,fixtures}/**/*.test.{ts,tsx}"],
  setupFiles: ["<rootDir>/jest.setup.cjs"],
  transform: { "^.+\\.tsx?$": swc, "/node_modules/uuid/.+\\.js$": swc },
  // Packages that come as ES modules only.
  transformIgnorePatterns: ["/node_modules/(?!uuid/)"],
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/$1" },
  modulePathIgnorePatterns: ["<rootDir>/.build"],
  testTimeout: 120000,
};
