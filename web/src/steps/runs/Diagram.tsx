import { type Diagram as DiagramModel, MAINS_CAUTION } from '@joulemetric/core';
import { memo, useEffect, useRef, useState } from 'react';
import { download } from '../../edges/files.ts';
import { layoutDiagram } from '../../edges/layoutDiagram.ts';
import type { PlacedDiagram } from '../../edges/layoutWith.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { useSettled } from '../../ui/useSettled.ts';
import { Drawn } from './Drawn.tsx';
import { svgFile } from './svgFile.ts';

/** ms without a change of it after which it is laid out anew. */
const LAYOUT_AFTER_MS = 250;

const ZOOMS = [0.5, 0.75, 1, 1.5, 2] as const;

/** The single-line diagram: laid out in a worker, drawn here, each part opening its row. */
export const Diagram = memo(function Diagram({
  diagram,
  openId,
  onRun,
}: {
  diagram: DiagramModel;
  openId: string | null;
  onRun: (id: string) => void;
}) {
  const { job } = useJob();
  // What stands in it follows an edit a moment later: laying it out takes longer than anything else here.
  const { placed, problem } = useLayout(useSettled(diagram, LAYOUT_AFTER_MS));
  const [zoom, setZoom] = useState<number | null>(null);
  const drawing = useRef<SVGSVGElement>(null);
  const hasMains = diagram.nodes.some(({ isMains }) => isMains);
  const step = (by: 1 | -1): void => {
    const now = ZOOMS.indexOf((zoom ?? 1) as (typeof ZOOMS)[number]);
    setZoom(ZOOMS[Math.max(0, Math.min(ZOOMS.length - 1, now + by))] ?? 1);
  };
  return (
    <section
      aria-label="Diagram"
      className="painted-in-view border-t border-line py-3"
      data-diagram={placed ? 'ready' : 'waiting'}
    >
      <header className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <h2 className="text-body font-semibold">
          Diagram{' '}
          <span className="num font-normal text-note text-ink-2">
            one line for both conductors: length, size, volts on a low store; the fuse near the source
          </span>
        </h2>
        <span className="flex flex-wrap gap-2 print:hidden">
          <Button aria-label="Smaller" disabled={zoom === ZOOMS[0]} onClick={() => step(-1)}>
            −
          </Button>
          <Button disabled={zoom === null} onClick={() => setZoom(null)}>
            Fit
          </Button>
          <Button aria-label="Larger" disabled={zoom === ZOOMS.at(-1)} onClick={() => step(1)}>
            +
          </Button>
          <Button
            disabled={!placed}
            onClick={() =>
              drawing.current && download(job, svgFile(drawing.current, job.title), 'image/svg+xml', '-diagram.svg')
            }
          >
            SVG
          </Button>
          <Button disabled={!placed} onClick={printAlone}>
            Print
          </Button>
        </span>
      </header>
      {problem && (
        <p role="alert" className="pt-2 text-copper">
          {problem}
        </p>
      )}
      {placed && (
        <div className="mt-2 max-h-[78vh] overflow-auto print:max-h-none print:overflow-visible">
          <Drawn ref={drawing} placed={placed} zoom={zoom} openId={openId} onRun={onRun} />
        </div>
      )}
      {hasMains && <p className="max-w-[86ch] pt-2 text-note text-copper">{MAINS_CAUTION}</p>}
    </section>
  );
});

/** Only the drawing goes to the printer, on one sheet. */
function printAlone(): void {
  const { dataset } = document.documentElement;
  dataset.print = 'diagram';
  window.addEventListener('afterprint', () => delete dataset.print, { once: true });
  window.print();
}

/** The last layout stays until the next is there, so that nothing flickers. */
function useLayout(diagram: DiagramModel): { placed: PlacedDiagram | null; problem: string | null } {
  const [state, setState] = useState<{ placed: PlacedDiagram | null; problem: string | null }>({
    placed: null,
    problem: null,
  });
  useEffect(() => {
    let wanted = true;
    layoutDiagram(diagram).then(
      (placed) => wanted && setState({ placed, problem: null }),
      () =>
        wanted &&
        setState((now) => ({
          ...now,
          problem: 'The diagram could not be laid out. Check the signal, then try again.',
        })),
    );
    return () => {
      wanted = false;
    };
  }, [diagram]);
  return state;
}
