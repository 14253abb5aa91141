import type { Config } from "@react-router/dev/config";

export default {
  ssr: true,
  // The demo and the tests build apart, so that neither disturbs the other.
  buildDirectory: process.env["BUILD_DIRECTORY"] ?? "build",
  future: { v8_middleware: true, v8_splitRouteModules: true, v8_viteEnvironmentApi: true },
} satisfies Config;
