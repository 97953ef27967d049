import {
  FUSE_WITHIN_M,
  formatNumber,
  type Run,
  type RunLine,
  runFigure,
  showText,
  type ThickerLine,
  usualOfRuns,
} from '@joulemetric/core';
import { removeRuns } from '../../commands/runs.ts';
import { useAssessment, useEditing, useJob, useOption } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { useText } from '../../ui/useText.ts';
import { LoadsAtEnd } from './LoadsAtEnd.tsx';
import type { ChangeRuns } from './useRuns.ts';
import { bigAmps, CONDUCTORS, DECIDED, ENDS, fuseKindWords, fuseText, PROTECTIONS, winsWords } from './words.ts';

/** All that is said of one run, with what follows from it beside. */
export function RunFields({
  line,
  lines,
  thicker,
  change,
  proposed,
  onGone,
}: {
  line: RunLine;
  lines: readonly RunLine[];
  thicker: ThickerLine | null;
  change: ChangeRuns;
  /** The runs as they stand, asked for when they are needed. */
  proposed: () => readonly Run[];
  onGone: () => void;
}) {
  const { run } = line;
  const { edit, optionId } = useEditing();
  const { findings } = useAssessment();
  const set = (part: Partial<Run>, key: string) => change([run.id], part, key);
  const own = findings.filter(({ where }) => where.runId === run.id);
  return (
    <div className="pt-2">
      {own.map((finding) => (
        <FindingLine key={finding.code} finding={finding} />
      ))}
      <Answer line={line} thicker={thicker} />
      <div className="mt-2 grid grid-cols-6 items-end gap-x-5 gap-y-2 @max-[1000px]:grid-cols-4 @max-[560px]:grid-cols-2">
        <TextField label="Name" required maxLength={60} value={run.name} onChange={(name) => set({ name }, 'name')} />
        <From line={line} lines={lines} onChange={(from) => set({ from }, 'from')} />
        <End run={run} onChange={(part) => set(part, 'end')} />
        <Choice
          label="Conductor"
          value={run.conductor}
          options={CONDUCTORS}
          onChange={(conductor) => set({ conductor }, 'conductor')}
        />
        <QuantityField
          label="Beside one another"
          unit="for each pole"
          whole
          min={1}
          max={6}
          value={run.parallel}
          onChange={(parallel) => set({ parallel: parallel ?? 1 }, 'parallel')}
        />
        <Choice
          label="Comes back"
          value={run.return}
          options={[
            { value: 'conductor', label: 'by its own conductor' },
            { value: 'chassis', label: 'through the chassis' },
          ]}
          onChange={(back) => set({ return: back }, 'return')}
        />
        <RegionField
          label="Insulation bears"
          quantity="°C"
          min={60}
          max={250}
          value={run.insulationC}
          onChange={(insulationC) => set({ insulationC: insulationC ?? 105 }, 'insulation')}
        />
        <RegionField
          label="Air at its hottest"
          quantity="°C"
          min={-40}
          max={100}
          usual={30}
          value={run.ambientC}
          onChange={(ambientC) => set({ ambientC }, 'ambient')}
        />
        <QuantityField
          label="Side by side"
          unit="conductors"
          whole
          min={1}
          max={24}
          value={run.bundled}
          onChange={(bundled) => set({ bundled: bundled ?? 2 }, 'bundled')}
        />
        <QuantityField
          label="Crimps, studs, connectors"
          unit=""
          whole
          min={0}
          max={60}
          value={run.joints}
          onChange={(joints) => set({ joints: joints ?? 0 }, 'joints')}
        />
        <QuantityField
          label="Each of them"
          unit="mΩ"
          min={0}
          max={100}
          auto={`${usualOfRuns.jointMohm}, usual`}
          value={run.jointMohm}
          onChange={(jointMohm) => set({ jointMohm }, 'joint')}
        />
        {run.return === 'chassis' && (
          <QuantityField
            label="Through the chassis"
            unit="mΩ"
            min={0}
            max={500}
            auto={`${usualOfRuns.chassisMohm}, usual`}
            value={run.chassisMohm}
            onChange={(chassisMohm) => set({ chassisMohm }, 'chassis')}
          />
        )}
        <Choice
          label="Protected by"
          value={run.protection}
          options={PROTECTIONS}
          onChange={(protection) => set({ protection }, 'protection')}
        />
        {run.protection !== 'none' && (
          <>
            <QuantityField
              label="Rating"
              unit="A"
              min={0.5}
              max={1000}
              auto={`${line.fuse.ratingA ?? '–'}, as it needs`}
              value={run.ratingA}
              onChange={(ratingA) => set({ ratingA }, 'rating')}
            />
            <QuantityField
              label="Interrupts"
              unit="A"
              min={50}
              max={200_000}
              auto={`${formatNumber(line.fuse.interruptA)}, usual`}
              value={run.interruptA}
              onChange={(interruptA) => set({ interruptA }, 'interrupt')}
            />
            <RegionField
              label="From the source"
              quantity="m"
              min={0}
              max={50}
              auto="not known"
              value={run.fuseAtM}
              onChange={(fuseAtM) => set({ fuseAtM }, 'fuse-at')}
            />
          </>
        )}
        <QuantityField
          label="Plug-in socket at its end"
          unit="A"
          min={0.5}
          max={400}
          auto="none"
          value={run.socketA}
          onChange={(socketA) => set({ socketA }, 'socket')}
        />
      </div>
      <p className="flex flex-wrap gap-x-5 gap-y-1 pt-2">
        {(
          [
            ['engine', 'passes the engine space'],
            ['sheathed', 'sheathed up to its fuse'],
            ['isolator', 'has an isolator'],
            ['unkeyed', 'plus and minus can be swapped'],
          ] as const
        ).map(([key, label]) => (
          <label key={key} className="flex items-center gap-2 phone:min-h-11">
            <input
              type="checkbox"
              checked={run[key]}
              onChange={(event) => set({ [key]: event.target.checked }, key)}
              className="size-4 accent-ink phone:size-6"
            />
            {label}
          </label>
        ))}
      </p>
      {run.end === 'loads' && <LoadsAtEnd run={run} lines={lines} onChange={(loads) => set({ loads }, 'loads')} />}
      <p className="flex flex-wrap gap-3 pt-2">
        <Button
          onClick={() => {
            onGone();
            edit(removeRuns(optionId, proposed(), [run.id]));
          }}
        >
          Take it out
        </Button>
      </p>
    </div>
  );
}

/** Leads between a charger and the store. */
const CHARGES: readonly Run['end'][] = ['array', 'driving', 'charger'];

/** The answer first: what decided the size, what it loses, what its fuse must bear, and what the next thicker wins. */
function Answer({ line, thicker }: { line: RunLine; thicker: ThickerLine | null }) {
  const { run, fuse } = line;
  const { currency, units } = useJob().job.brief.region;
  const text = useText();
  const isLaid = useOption().system.runs !== null;
  return (
    <div className="num space-y-0.5 text-ink-2">
      <p>
        <span className="font-semibold text-ink">
          {line.size}, {DECIDED[line.decidedBy]}.
        </span>{' '}
        {isLaid ? <Fig id={runFigure(run.id, 'ohm')} /> : showText(line.hotMohm, 'mΩ')} there and back when hot; at{' '}
        {showText(line.nominalA, 'A')} it loses{' '}
        {isLaid ? <Fig id={runFigure(run.id, 'drop')} /> : showText(line.dropV, 'V')}.
        {CHARGES.includes(run.end) && ` A charger that measures at its own terminals ends early by as much.`}
        {line.outputV !== null && ` ${showText(line.outputV, 'V')} arrive.`}
      </p>
      {fuse.kind !== null && (
        <p>
          <span className="font-semibold text-ink">
            {fuseText(fuse.ratingA ?? 0, fuse.ways)} {fuseKindWords(line)}
          </span>
          : at least {showText(fuse.neededA, 'A')} (1.25 ×), at most the {showText(line.ampacityA, 'A')} of the cable
          {line.startSeconds > 0 &&
            `; a start of ${showText(line.startA, 'A')} for ${showText(line.startSeconds, 's')}`}
          {fuse.mustInterruptA !== null &&
            `; breaks ${bigAmps(fuse.interruptA)}, the bank short-circuits with ${bigAmps(fuse.mustInterruptA)}`}
          . As near the source as possible
          {run.fuseAtM === null ? '' : `, here ${text(run.fuseAtM, 'm')}`}: some codes allow{' '}
          {Object.entries(FUSE_WITHIN_M)
            .map(([how, m]) => `${text(m, 'm')} ${how}`)
            .join(', ')}
          .
        </p>
      )}
      {thicker && (
        <p>
          The next thicker, {thicker.size}: {winsWords(thicker, currency, units)}.
        </p>
      )}
    </div>
  );
}

function From({
  line,
  lines,
  onChange,
}: {
  line: RunLine;
  lines: readonly RunLine[];
  onChange: (from: string | null) => void;
}) {
  const { run } = line;
  // Nothing may begin behind itself.
  const behind = new Set([run.id]);
  for (const { run: other } of lines) if (other.from !== null && behind.has(other.from)) behind.add(other.id);
  const fixed = run.end === 'panels' || run.end === 'alternator';
  const may = lines.filter(
    ({ run: other }) => !behind.has(other.id) && (other.end === 'busbar' || other.id === run.from),
  );
  return (
    <Choice
      label="Begins at"
      value={run.from ?? ''}
      options={[
        ...(fixed ? [] : [{ value: '', label: 'the store' }]),
        ...(fixed ? may.filter(({ run: other }) => other.id === run.from) : may).map(({ run: other }) => ({
          value: other.id,
          label: other.name,
        })),
      ]}
      onChange={(from) => onChange(from === '' ? null : from)}
    />
  );
}

/** Where it leads, one choice of all that there is. */
function End({ run, onChange }: { run: Run; onChange: (part: Partial<Run>) => void }) {
  const { system } = useOption();
  const named = (end: Run['end'], list: readonly { readonly id: string; readonly name: string }[] | null) =>
    (list ?? []).map(({ id, name }) => ({ value: `${end} ${id}`, label: name }));
  const now = run.part === null ? run.end : `${run.end} ${run.part}`;
  const options = [
    { value: 'busbar', label: 'busbars or fuse block' },
    { value: 'loads', label: 'loads' },
    ...named('device', system.devices),
    ...named('array', system.arrays),
    ...named('driving', system.driving),
    ...named('charger', system.chargers),
  ];
  const own = options.some(({ value }) => value === now)
    ? []
    : [{ value: now, label: ENDS.find(({ value }) => value === run.end)?.label ?? run.end }];
  return (
    <Choice
      label="Leads to"
      value={now}
      options={[...own, ...options]}
      onChange={(value) => {
        const [end, part] = value.split(' ') as [Run['end'], string | undefined];
        onChange({ end, part: part ?? null, loads: end === 'loads' ? run.loads : [] });
      }}
    />
  );
}
