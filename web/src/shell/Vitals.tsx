import { type FigureId, type Figures, show, showText, type Units } from '@joulemetric/core';
import { memo } from 'react';
import { Num } from '../ui/Number.tsx';
import { useAssessment, usePanels, useShown, useView } from './JobContext.tsx';

interface Vital {
  readonly id: FigureId;
  readonly label: string;
  /** One line of meaning beneath the number. */
  readonly meaning: (figures: Figures, nominalV: number, units: Units) => string;
  readonly onPhone: boolean;
}

const value = (figures: Figures, id: FigureId): number => figures[id]?.value ?? 0;
const text = (figures: Figures, id: FigureId, units?: Units): string => {
  const figure = figures[id];
  return figure ? showText(figure.value, figure.unit, units) : '';
};

const VITALS: readonly Vital[] = [
  {
    id: 'demand.battery',
    label: 'Need per day',
    meaning: (f, volts) => `${show(value(f, 'demand.battery') / volts, 'Ah').number} Ah at ${volts} V`,
    onPhone: true,
  },
  {
    id: 'loss.total',
    label: 'Lost on the way',
    meaning: (f) => {
      const need = value(f, 'demand.battery');
      return need > 0 ? `${showText(value(f, 'loss.total') / need, 'share')} of the need` : 'nothing runs yet';
    },
    onPhone: true,
  },
  {
    id: 'peak.continuous',
    label: 'Worst moment',
    meaning: (f) =>
      value(f, 'inverter.rating') > 0
        ? `${f['peak.continuous'].label.endsWith('at most') ? 'at most, ' : ''}of ${text(f, 'inverter.rating')} · start ${show(value(f, 'peak.surge'), 'W').number}`
        : 'no inverter needed',
    onPhone: true,
  },
  {
    id: 'store.usable',
    label: 'Store, usable',
    meaning: (f) =>
      value(f, 'store.daysOld') > 0 ? `lasts ${text(f, 'store.daysOld')} dark, old` : 'nothing draws on it',
    onPhone: false,
  },
  {
    id: 'balance.net',
    label: 'Income less need',
    meaning: (f) =>
      `sun ${show(value(f, 'sun.yield'), 'Wh').number} · driving ${show(value(f, 'alternator.yield'), 'Wh').number}`,
    onPhone: false,
  },
];

const PAYLOAD: Vital = {
  id: 'payload.left',
  label: 'Payload left',
  meaning: (f, _volts, units) => `kit ${text(f, 'mass.kit', units)}`,
  onPhone: false,
};
const MASS: Vital = { id: 'mass.kit', label: 'Kit weighs', meaning: () => 'payload not given', onPhone: false };

/** In view on every step. A vital that an edit has changed says what it was. */
export function Vitals() {
  const assessment = useAssessment();
  const before = useShown((shown) => shown.before);
  const view = useView();
  const { figures } = assessment;
  const nominalV = Math.round((figures['store.capacity'].value / (figures['store.ah'].value || 1)) * 10) / 10;
  const volts = nominalV || view.option.system.busVoltageV;
  const vitals = [...VITALS, figures['payload.left'] ? PAYLOAD : MASS];
  return (
    <ul className="grid shrink-0 grid-cols-6 print:hidden border-b border-line phone:grid-cols-3" aria-label="Vitals">
      {vitals.map((vital) => (
        <VitalCell
          key={vital.label}
          vital={vital}
          figures={figures}
          was={before?.figures ?? null}
          volts={volts}
          units={view.job.brief.region.units}
        />
      ))}
    </ul>
  );
}

const VitalCell = memo(function VitalCell({
  vital,
  figures,
  was,
  volts,
  units,
}: {
  vital: Vital;
  figures: Figures;
  was: Figures | null;
  volts: number;
  units: Units;
}) {
  const { open } = usePanels();
  const figure = figures[vital.id];
  if (!figure) return null;
  const old = was?.[vital.id];
  const now = show(figure.value, figure.unit, units).number;
  const changed = old !== undefined && show(old.value, old.unit, units).number !== now;
  return (
    <li
      className={`border-r border-line last:border-r-0 ${vital.onPhone ? 'phone:[&:nth-child(3)]:border-r-0' : 'phone:hidden'}`}
    >
      <button
        type="button"
        onClick={() => open({ kind: 'figure', id: vital.id })}
        data-vital={vital.id}
        key={changed ? now : 'still'}
        className={`block h-full w-full px-3.5 py-2 text-left hover:bg-sheet phone:min-h-14 phone:px-4 phone:py-1.5 ${changed ? 'washed' : ''}`}
      >
        <span className="block truncate text-note text-ink-2">{vital.label}</span>

        <span className="block text-vital font-semibold phone:text-[19px]">
          <Num value={figure.value} unit={figure.unit} units={units} signed={vital.id === 'balance.net'} />
        </span>
        <span className="num block truncate text-note text-ink-2">
          {changed && (
            <>
              <span className="font-medium text-copper">was {show(old.value, old.unit, units).number}</span>
              {' · '}
            </>
          )}
          <Meaning text={vital.meaning(figures, volts, units)} />
        </span>
      </button>
    </li>
  );
});

/** The first part is said everywhere, what follows only where there is room. */
function Meaning({ text }: { text: string }) {
  const [first, ...rest] = text.split(' · ');
  return (
    <>
      {first}
      {rest.map((part) => (
        <span key={part} className="phone:hidden">
          {' · '}
          {part}
        </span>
      ))}
    </>
  );
}
