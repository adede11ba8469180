import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  {
    ignores: [
      "node_modules",
      ".build",
      "next-env.d.ts",
      "**/*.cjs",
      "eslint.config.mjs",
      "tools/bareRunner.mjs",
      "tools/keepMessages.mjs",
      "public/*.js",
      "engine",
      "core/audio/engineCode.ts",
    ],
  },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      "@typescript-eslint/no-floating-promises": "error",
      "@typescript-eslint/consistent-type-imports": ["error", { fixStyle: "inline-type-imports" }],
      "@typescript-eslint/require-await": "off",
      "@typescript-eslint/only-throw-error": "error",
      "@typescript-eslint/no-unused-vars": ["error", { ignoreRestSiblings: true }],
      "no-console": ["error", { allow: ["error"] }],
      eqeqeq: "error",
    },
  },
  {
    files: ["{app,data,screens,ui}/**/*.{ts,tsx}"],
    plugins: { "react-hooks": hooks },
    rules: hooks.configs.recommended.rules,
  },
  {
    files: ["core/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: {
      "no-restricted-globals": ["error", "window", "document", "process", "fetch", "setTimeout", "performance"],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "Randomness comes in as an argument." },
        { object: "Date", property: "now", message: "Time comes in as an argument." },
      ],
    },
  },
);
