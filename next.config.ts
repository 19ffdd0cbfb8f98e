import type { NextConfig } from "next";

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  allowedDevOrigins: ["127.0.0.1"],
  serverExternalPackages: ["pino", "pg", "sharp"],
  experimental: {
    // A map file of half a megabyte, and what is said of a larger one.
    serverActions: { bodySizeLimit: "1mb" },
    // A picture of 16 MB reaches its own limit, and its words, instead of being cut on the way.
    proxyClientMaxBodySize: "17mb",
  },
};
export default config;
