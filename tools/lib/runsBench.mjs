/** The Runs step: a network solved, a diagram laid out, an edit until every figure and volt stands there anew. */
import Elk from 'elkjs/lib/elk.bundled.js';

const NODES = 200;
const SOLVED = 300;
const RUNS = 60;
const LAID_OUT = 20;
const EDITS = 100;

/** ms to solve a network of 200 nodes: a random tree, each node with constant power, current and resistance. */
export async function networkTimes() {
  const { nothingDrawn, solveNetwork } = await import('../../core/src/runs/network.ts');
  let seed = 16;
  const random = () => {
    seed = (seed * 48271) % 2147483647;
    return seed / 2147483647;
  };
  const parent = Int32Array.from({ length: NODES }, (_, k) => (k === 0 ? -1 : Math.floor(random() * k)));
  const ohm = Float64Array.from({ length: NODES }, () => 0.0005 + random() * 0.004);
  const drawn = nothingDrawn(NODES);
  for (let k = 0; k < NODES; k++) {
    drawn.powerW[k] = random() * 8;
    drawn.currentA[k] = random() * 0.2;
    drawn.siemens[k] = random() * 0.01;
  }
  const times = [];
  for (let i = 0; i < SOLVED; i++) {
    const started = performance.now();
    const { collapse } = solveNetwork({ parent, ohm }, 12.8, drawn);
    times.push(performance.now() - started);
    if (collapse !== null) throw new Error('the network of the bench does not hold');
  }
  return times;
}

/** ms to lay out a diagram of 60 runs, as the worker of the page does. */
export async function layoutTimes(job) {
  const { diagramOf, runsDetail } = await import('../../core/src/index.ts');
  const { layoutWith } = await import('../../web/src/edges/layoutWith.ts');
  const elk = new Elk();
  const [option] = job.options;
  const diagram = diagramOf(runsDetail(job, option.id), job, option.id);
  const runs = diagram.edges.filter(({ runId }) => runId !== null).length;
  const times = [];
  for (let i = 0; i < LAID_OUT; i++) {
    const started = performance.now();
    await layoutWith(elk, diagram);
    times.push(performance.now() - started);
  }
  return { times, runs };
}

/** A job of direct loads with a lead for each, its runs laid. @param loads how many */
export async function laidJob(demo, loads = RUNS - 4) {
  const { runsDetail } = await import('../../core/src/index.ts');
  const [direct] = demo.loads.filter(({ path }) => path === 'direct');
  const [option] = demo.options;
  const open = {
    ...demo,
    title: `Bench ${loads} leads`,
    together: { atMost: [], always: [] },
    loads: Array.from({ length: loads }, (_, i) => ({ ...direct, id: `load-${i}`, name: `Load ${i}`, circuit: '' })),
    options: [{ ...option, feeds: [], system: { ...option.system, runs: null } }],
  };
  const { proposed } = runsDetail(open, option.id);
  const [only] = open.options;
  return { ...open, options: [{ ...only, system: { ...only.system, runs: proposed } }] };
}

/** ms from a length typed to the figures and the volts of the page that follow from it. @param reachMs before the first */
export async function editRunTimes(page, reachMs) {
  await page.locator('[data-runs=ready]').waitFor();
  await page.locator('[data-diagram=ready]').waitFor();
  await page.waitForTimeout(reachMs);
  const times = [];
  for (let i = 0; i < EDITS; i++) {
    await page.waitForTimeout(120);
    times.push(
      await page.evaluate(
        async (length) => {
          const field = document.querySelector('[data-run="to-load-0"] input:not([type=checkbox])');
          const figure = document.querySelector('[data-figure="run[to-load-0].way"]');
          const volts = [...document.querySelectorAll('table[aria-label="Volts at each appliance"] tbody tr')][0];
          const before = [figure.textContent, volts.textContent];
          const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
          const started = performance.now();
          set.call(field, String(length));
          field.dispatchEvent(new Event('input', { bubbles: true }));
          while (performance.now() - started < 3000) {
            await new Promise((done) => requestAnimationFrame(done));
            if (figure.textContent !== before[0] && volts.textContent !== before[1]) break;
          }
          return performance.now() - started;
        },
        8 + (i % 2) * 4 + i * 0.5,
      ),
    );
  }
  return times;
}
