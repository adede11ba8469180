import type { NextConfig } from "next";

const config: NextConfig = {
  distDir: process.env["HYPOPHON_DIST"] ?? ".build/dev",
  compiler: { styledComponents: true },
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  serverExternalPackages: ["pg"],
  // Types are checked by ./hypophon test with the project's own settings.
  typescript: { ignoreBuildErrors: true },
};

export default config;
