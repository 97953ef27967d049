import { spawn } from 'node:child_process';

/**
 * Runs a command to its end; resolves with its exit code and what it printed.
 * @param {string[]} command program and arguments
 * @param {{ cwd?: string, env?: NodeJS.ProcessEnv, uid?: number, gid?: number, quiet?: boolean }} [options]
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run([program = '', ...args], { quiet = true, ...options } = {}) {
  return new Promise((resolve) => {
    const child = spawn(program, args, {
      ...options,
      stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
    });
    let output = '';
    child.stdout?.on('data', (chunk) => (output += chunk));
    child.stderr?.on('data', (chunk) => (output += chunk));
    child.on('error', (error) => resolve({ code: 127, output: error.message }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}
