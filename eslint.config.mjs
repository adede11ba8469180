import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

// Hooks alone, as the compiler of React sees them. All else is in .oxlintrc.json, which reads types in a tenth of the time.
export default [
  { ignores: ["**/*", "!app/**", "!data/**", "!screens/**", "!ui/**", "**/*.test.*"] },
  {
    files: ["**/*.{ts,tsx}"],
    languageOptions: { parser: tseslint.parser },
    plugins: { "react-hooks": hooks },
    rules: hooks.configs.recommended.rules,
  },
];
