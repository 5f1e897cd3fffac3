import type { NextConfig } from "next";

const config: NextConfig = {
  // The types of all projects are one check of their own, tools/types.mjs; a build does not make them twice.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  headers: async () => [
    {
      source: "/sw.js",
      headers: [
        { key: "cache-control", value: "no-cache, no-store, must-revalidate" },
        { key: "content-type", value: "application/javascript; charset=utf-8" },
        { key: "service-worker-allowed", value: "/" },
      ],
    },
    {
      // The owner's letter sets stricter ones of its own.
      source: "/((?!letter/|owner/).*)",
      headers: [
        { key: "x-content-type-options", value: "nosniff" },
        { key: "referrer-policy", value: "same-origin" },
        { key: "permissions-policy", value: "camera=(self), microphone=(), geolocation=()" },
        { key: "cross-origin-opener-policy", value: "same-origin" },
        { key: "cross-origin-resource-policy", value: "same-origin" },
        { key: "x-frame-options", value: "DENY" },
        // Browsers heed it on https alone.
        { key: "strict-transport-security", value: "max-age=31536000; includeSubDomains" },
      ],
    },
  ],
};

export default config;
