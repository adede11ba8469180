import type { NextConfig } from "next";

/** Languages that react-aria brings and the program is not written in. */
const OTHER_LOCALES =
  "ar-AE,bg-BG,cs-CZ,da-DK,de-DE,el-GR,es-ES,et-EE,fi-FI,fr-FR,he-IL,hr-HR,hu-HU,it-IT,ja-JP,ko-KR,lt-LT,lv-LV,nb-NO,nl-NL,pl-PL,pt-BR,pt-PT,ro-RO,ru-RU,sk-SK,sl-SI,sr-SP,sv-SE,tr-TR,uk-UA,zh-CN,zh-TW";

const config: NextConfig = {
  distDir: process.env["HYPOPHON_DIST"] ?? ".build/dev",
  compiler: { styledComponents: true },
  reactStrictMode: true,
  // Screens re-render on every keystroke; the compiler keeps what did not change.
  reactCompiler: true,
  poweredByHeader: false,
  devIndicators: false,
  turbopack: {
    rules: {
      // The program speaks English (I18nProvider in app/StyleRegistry): the words of other languages need not be loaded.
      [`**/dist/private/intl/*/{${OTHER_LOCALES}}.mjs`]: { loaders: ["./ui/otherLocale.cjs"], as: "*.js" },
    },
  },
  serverExternalPackages: ["pg", "better-auth", "@better-auth/passkey", "prom-client", "@node-rs/argon2", "nodemailer"],
  // Types are checked by ./hypophon test with the project's own settings.
  // Next writes into the file it is given, so it gets one of its own.
  typescript: { ignoreBuildErrors: true, tsconfigPath: ".build/tsconfig.next.json" },
};

export default config;
