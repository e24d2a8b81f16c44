import { defineConfig } from "@playwright/test";

/**
 * What the browser does without: two pages of its own window, made anew for every context, which cost a quarter of what
 * opening the desk does; and what the test library leaves out, since only the last such switch counts.
 */
const LEFT_OUT = [
  "WebUIOmniboxPopup",
  "WebUIOmniboxAimPopup",
  "AvoidUnnecessaryBeforeUnloadCheckSync",
  "DestroyProfileOnBrowserClose",
  "HttpsUpgrades",
  "HttpsFirstBalancedModeAutoEnable",
  "LensOverlay",
  "MediaRouter",
  "PaintHolding",
  "ThirdPartyStoragePartitioning",
  "AvoidCorsURLLoaderRestartOnRedirect",
  "OptimizationHints",
  "NetworkTimeServiceQuerying",
  "AimEnabled",
  "PreconnectToSearch",
];

// Each test starts servers of its own from the production build, so that one can be killed without touching another.
export default defineConfig({
  testDir: "tests/e2e",
  outputDir: "test-results",
  globalSetup: "./tests/e2e/firstStart.ts",
  // One more than a small machine has cores: while one test waits, another works. All of them take a fifth less time.
  workers: 3,
  // Any test next to any other, so that no long file is left to one of them at the end.
  fullyParallel: true,
  // A slow machine takes longer to come to a state, and comes to the same one: tests wait for it.
  timeout: 240_000,
  expect: { timeout: 40_000 },
  reporter: [["line"]],
  // Frames are counted last and alone: a second test on the same two cores would be counted too.
  projects: [
    { name: "views", testIgnore: "**/frames.spec.ts" },
    { name: "frames", testMatch: "**/frames.spec.ts", dependencies: ["views"] },
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    // With one a page would be answered by what an earlier page left; tests/e2e/offline.spec.ts allows it.
    serviceWorkers: "block",
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH || "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        `--disable-features=${LEFT_OUT.join(",")}`,
      ],
    },
  },
});
