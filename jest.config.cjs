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

const shared = {
  rootDir: __dirname,
  setupFiles: ["<rootDir>/jest.setup.cjs"],
  modulePathIgnorePatterns: ["<rootDir>/.build"],
};

/** @type {import("jest").Config} */
module.exports = {
  // Coverage and reports go where nothing is committed.
  coverageDirectory: "<rootDir>/.build/coverage",
  testTimeout: 120000,
  maxWorkers: 2,
  projects: [
    {
      ...shared,
      // Pure computation runs without Jest's sandbox.
      displayName: "core",
      runner: "<rootDir>/tools/bareRunner.mjs",
      testMatch: ["<rootDir>/{core,messages,picture,demo,fixtures}/**/*.test.ts"],
    },
    {
      ...shared,
      displayName: "rooms",
      // What takes long is done by ./hypophon test --long.
      testPathIgnorePatterns: [
        "/node_modules/",
        ...(process.env.HYPOPHON_LONG ? [] : ["tools/bench/detectors\\.test"]),
      ],
      testMatch: ["<rootDir>/{data,server,db,cli,host,tools,workers,screens,ui}/**/*.test.{ts,tsx}"],
      transform: { "^.+\\.tsx?$": swc, "/node_modules/(uuid|p-queue|p-timeout)/.+\\.js$": swc },
      // Packages that come as ES modules only.
      transformIgnorePatterns: ["/node_modules/(?!(uuid|p-queue|p-timeout)/)"],
      moduleNameMapper: { "^@/(.*)$": "<rootDir>/$1", "^(d3-[a-z-]+)$": "<rootDir>/node_modules/$1/dist/$1.js" },
    },
  ],
};
