import type { NextConfig } from "next";

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  allowedDevOrigins: ["127.0.0.1"],
  serverExternalPackages: ["pino", "pg", "sharp"],
  experimental: { serverActions: { bodySizeLimit: "256kb" } },
};
export default config;
