import { type Figure, type FigureId, type OriginLabel, show, showText, type WorkingInput } from '@joulemetric/core';
import { Num } from '../ui/Number.tsx';
import { type Panel, useAssessment, useJob, usePanels, useShown } from './JobContext.tsx';

const LABEL: Readonly<Record<OriginLabel, string>> = {
  P: 'published',
  T: 'common practice',
  M: 'from memory',
  P·M: 'published, figure from memory',
  D: 'invented for the demo',
  job: 'this job',
  computed: 'computed',
};

/** Where a value came from, in words: its source, and its kind when the source does not say it already. */
function originWords({ label, source }: { label: OriginLabel; source: string }): string {
  const kind = LABEL[label];
  if (label === 'computed' || source === kind) return label === 'computed' ? 'computed' : source;
  return source.includes(kind) || label === 'T' || label === 'M' ? source : `${source} · ${kind}`;
}

/** A figure opened: the number, the formula with the values in it, the inputs and their origin, the sceptic's answer. */
export function FigureWorking({ panel }: { panel: Extract<Panel, { kind: 'figure' }> }) {
  const { job } = useJob();
  const assessment = useAssessment();
  const before = useShown((shown) => shown.before);
  const figure = assessment.figures[panel.id];
  if (!figure) return null;
  const { units } = job.brief.region;
  const was = before?.figures[panel.id];
  const now = show(figure.value, figure.unit, units).number;
  const old = was && show(was.value, was.unit, units).number;
  return (
    <div data-working={panel.id}>
      <p className="text-figure font-semibold">
        <Num value={figure.value} unit={figure.unit} units={units} />
      </p>
      <p className="text-body text-ink-2">
        {figure.label}
        {figure.unit === 'Wh/day' && ', a day'}
        {old !== undefined && old !== now && <span className="font-medium text-copper"> · was {old}</span>}
      </p>
      <Formula figure={figure} />
      {figure.working.inputs.length > 0 && (
        <ul className="border-t border-line py-1.5">
          {figure.working.inputs.map((input) => (
            <InputLine key={input.symbol} input={input} />
          ))}
        </ul>
      )}
      <p className="num border-t border-line pt-2.5 text-note text-ink-2">Method: {originWords(figure.basis)}</p>
      {figure.working.note && <p className="mt-2.5 text-body">{figure.working.note}</p>}
    </div>
  );
}

/** The formula with values in place of its symbols; a value that is a figure can be opened from here. */
function Formula({ figure }: { figure: Figure<FigureId> }) {
  const { job } = useJob();
  const { open } = usePanels();
  const { units } = job.brief.region;
  const { formula, inputs } = figure.working;
  const bySymbol = new Map(inputs.map((input) => [input.symbol, input]));
  return (
    <p className="num mt-3 border-t border-line py-2.5 text-number font-medium leading-6">
      {formula.split(/(\{\w+\})/).map((part, i) => {
        const input = bySymbol.get(part.slice(1, -1));
        const key = `${i}${part}`;
        if (!part.startsWith('{') || !input) return <span key={key}>{part}</span>;
        const shown = typeof input.value === 'number' ? showText(input.value, input.unit, units) : input.value;
        const id = input.figure;
        if (!id) {
          return (
            <span key={key} className="whitespace-nowrap">
              {shown}
            </span>
          );
        }
        return (
          <button
            key={key}
            type="button"
            onClick={() => open({ kind: 'figure', id })}
            className="whitespace-nowrap underline decoration-dotted decoration-1 underline-offset-4"
          >
            {shown}
          </button>
        );
      })}
      {' = '}
      {showText(figure.value, figure.unit, units)}
    </p>
  );
}

function InputLine({ input }: { input: WorkingInput<FigureId> }) {
  const { job } = useJob();
  const { open } = usePanels();
  const id = input.figure;
  return (
    <li className="grid grid-cols-[1fr_auto] gap-x-3 py-1">
      <span className="text-body">{input.label}</span>
      <span className="num text-right text-number font-semibold">
        {typeof input.value === 'number' ? (
          id ? (
            <button
              type="button"
              onClick={() => open({ kind: 'figure', id })}
              className="underline decoration-mark decoration-dotted decoration-1 underline-offset-4"
            >
              <Num value={input.value} unit={input.unit} units={job.brief.region.units} />
            </button>
          ) : (
            <Num value={input.value} unit={input.unit} units={job.brief.region.units} />
          )
        ) : (
          input.value
        )}
      </span>
      <span className="num col-span-2 text-right text-note text-ink-2">{originWords(input.origin)}</span>
    </li>
  );
}
