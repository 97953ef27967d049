import { execFileSync } from 'node:child_process';
import { proposeLoad } from '@joulemetric/core';
import { FRESH_LINES } from '../../core/src/test/freshLines.ts';
import { FRESH_PLATES } from '../../core/src/test/freshPlates.ts';

const textsOf = (corpus, newLine) =>
  corpus
    .trim()
    .split('\n')
    .map((line) => line.split(' ⇒ ')[0].replaceAll(newLine, '\n'));
const ROUNDS = 5;
const idOf = (name) => name;

/** ms to read each line and each plate once warm, and the first line of fresh processes. */
export function readerTimes() {
  const timed = (texts) => {
    for (const text of texts) proposeLoad(text, idOf);
    const times = Array.from({ length: ROUNDS }, () =>
      texts.map((text) => {
        const started = performance.now();
        proposeLoad(text, idOf);
        return performance.now() - started;
      }),
    );
    return times.flat().sort((a, b) => a - b);
  };
  const lines = timed(textsOf(FRESH_LINES, '\u0000'));
  const plates = timed(textsOf(FRESH_PLATES, ' / '));
  const script =
    "const { proposeLoad } = await import('@joulemetric/core'); const t = performance.now(); proposeLoad('2 laptops 38W 5h', (n) => n); console.log(performance.now() - t);";
  const first = Array.from({ length: ROUNDS }, () =>
    Number(
      execFileSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script], { encoding: 'utf8' }),
    ),
  );
  return { lines, plates, first: first.sort((a, b) => a - b) };
}
