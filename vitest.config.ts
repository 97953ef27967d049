import { defineConfig } from 'vitest/config';

const project = (name: string, include: string[], more = {}) => ({
  // Many small examples on a busy machine take their time; no test is about speed.
  test: { name, include, environment: 'node', testTimeout: 60_000, setupFiles: ['./tools/seed.ts'], ...more },
});

export default defineConfig({
  test: {
    projects: [
      project('core', ['core/src/**/*.test.ts']),
      project('web', ['web/src/**/*.test.ts']),
      project('cli', ['cli/**/*.test.ts']),
      // One throw-away PostgreSQL for the API tests; one file after the other, since they share it.
      project('server', ['server/src/**/*.test.ts'], {
        globalSetup: './server/src/test/cluster.ts',
        fileParallelism: false,
      }),
      project('tools', ['tools/**/*.test.ts'], { fileParallelism: false }),
    ],
  },
});
