import {
  type Appliance,
  type Bus,
  formatNumber,
  formatUse,
  MAINS_V,
  type Proposal,
  type Question,
  runningPowerW,
  showText,
} from '@joulemetric/core';
import { useCombobox } from 'downshift';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { fillStation } from '../../commands/design.ts';
import { addLoad, roomFor } from '../../commands/loads.ts';
import { useFirmAppliances } from '../../edges/useFirmAppliances.ts';
import { isAdding } from '../../shell/adding.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { STEPS, type StepPath } from '../../shell/steps.ts';
import { CameraButton } from '../../ui/CameraButton.tsx';
import { useLineReader } from './useLineReader.ts';
import { usePhotoSender } from './usePhotoSender.ts';
import { PATH_WORDS } from './words.ts';

/** A name or watts, typed; Enter adds a filled row. Confused units become a question with a one-tap fix. */
export function QuickAdd() {
  const { session, job, edit, optionId } = useJob();
  const bus = useBus();
  const firm = useFirmAppliances().appliances;
  const sender = usePhotoSender();
  const [text, setText] = useState('');
  const [active, setActive] = useState(-1);
  const [asked, setAsked] = useState(false);
  const [isTouched, setTouched] = useState(false);
  const { reader, problem } = useLineReader(isTouched, text);
  const matches = useMemo(() => reader?.suggestions(text, firm) ?? [], [reader, text, firm]);
  const pick = active >= 0 ? matches[active] : undefined;
  const proposal = useMemo(
    () => (reader && text.trim() ? reader.proposeLoad(text, (name) => name, pick, firm, bus) : null),
    [reader, text, pick, firm, bus],
  );
  const line = useRef<HTMLInputElement>(null);
  const { key: visit, state } = useLocation();
  // biome-ignore lint/correctness/useExhaustiveDependencies: each visit that wants to add one takes the focus anew.
  useEffect(() => {
    if (!isAdding(state)) return;
    // After a menu that led here has closed and given the focus back.
    const frame = requestAnimationFrame(() => line.current?.focus());
    return () => cancelAnimationFrame(frame);
  }, [visit, state]);
  const open = text.trim() !== '' && (matches.length > 0 || proposal !== null);
  const question = proposal?.questions[0];
  const station = question?.step === 'station' ? reader?.readStation(text) : undefined;

  // Enter before the line can be read, and a photo of what is not taken down yet, wait for it.
  const enters = useRef(false);
  const [heldPhotos, setHeldPhotos] = useState<readonly File[]>([]);
  const type = (next: string) => {
    enters.current = false;
    setText(next);
    setActive(-1);
    setAsked(false);
  };
  const add = (chosen?: Appliance, photos = heldPhotos): boolean => {
    enters.current = reader === null;
    const wanted = chosen ? reader?.proposeLoad(text, (name) => name, chosen, firm, bus) : proposal;
    if (!reader || !wanted) return false;
    if (roomFor(job) < 1) {
      setAsked(true);
      return false;
    }
    if (!wanted.load || wanted.questions.length > 0) {
      setAsked(true);
      return false;
    }
    const load = chosen && reader.isOnlySearch(text, chosen) ? { ...wanted.load, name: chosen.name } : wanted.load;
    edit(addLoad(load));
    type('');
    void sendToLast(photos);
    setHeldPhotos([]);
    return true;
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once it can be read, the line that was entered is taken.
  useEffect(() => {
    if (reader && enters.current) add(pick);
  }, [reader]);
  const sendToLast = async (photos: readonly File[]) => {
    const loadId = session.snapshot().job.loads.at(-1)?.id;
    if (loadId) for (const photo of photos) await sender.send(loadId, photo);
  };
  /** A photo goes to the load that is being typed, as soon as it is entered, or to the last one that was. */
  const addPhoto = (photo: File) => {
    if (text.trim() === '') return void sendToLast([photo]);
    const photos = [...heldPhotos, photo];
    if (!add(pick, photos)) setHeldPhotos(photos);
  };
  const last = job.loads.at(-1);
  const { getInputProps, getMenuProps, getItemProps } = useCombobox<Appliance>({
    items: matches,
    itemToString: (appliance) => appliance?.name ?? '',
    isOpen: open,
    inputValue: text,
    selectedItem: null,
    highlightedIndex: active,
    onHighlightedIndexChange: ({ highlightedIndex }) => setActive(highlightedIndex),
    // What is typed stays; only keys lead through the list, and leaving the field chooses nothing.
    stateReducer: (state, { type: event, changes }) =>
      KEYS_ONLY.has(event) ? { ...changes, highlightedIndex: state.highlightedIndex, selectedItem: null } : changes,
  });
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      add(pick);
    } else if (event.key === 'Escape') {
      type('');
      setHeldPhotos([]);
    }
  };

  return (
    <div className="relative w-[372px] phone:w-full">
      <div className="flex items-center border-b-2 border-ink focus-within:border-copper">
        <input
          {...getInputProps({
            ref: line,
            'aria-label': 'Add a load by name or watts',
            onChange: (event) => type(event.currentTarget.value),
            onFocus: () => setTouched(true),
            onPaste: (event) => pasteLines(event, type),
            onKeyDown,
          })}
          maxLength={4000}
          placeholder="Name it, or paste its label…"
          className="min-h-8 w-full bg-transparent text-[15px] focus:outline-none phone:min-h-11"
          autoComplete="off"
          spellCheck={false}
        />
        <kbd className="num rounded-[3px] border border-line px-1.5 text-note text-ink-2 phone:hidden">/</kbd>
        {(last || text.trim() !== '') && (
          <span className="ml-3 hidden phone:block">
            <CameraButton label={`Photo of the label of ${text.trim() || last?.name}`} onPhoto={addPhoto}>
              Photo
            </CameraButton>
          </span>
        )}
      </div>
      {sender.problem && (
        <p role="alert" className="text-note text-copper">
          {sender.problem}
        </p>
      )}
      {heldPhotos.length > 0 && (
        <p role="status" className="text-note text-ink-2">
          {text.trim() === ''
            ? 'The photo goes with the next load that is taken down.'
            : 'The photo goes with this load once it is taken down.'}
        </p>
      )}
      {problem && text.trim() !== '' && (
        <p role="alert" className="text-note font-medium text-copper">
          {problem}
        </p>
      )}
      {asked && roomFor(job) < 1 && (
        <p role="alert" className="text-note font-medium text-copper">
          The job has {job.loads.length} loads, as many as it can hold. Put alike ones together by their number, or take
          some out.
        </p>
      )}
      <div
        className={`absolute inset-x-0 top-full z-10 border border-t-0 border-ink bg-sheet phone:bottom-full phone:top-auto phone:border-b-0 phone:border-t ${open ? '' : 'hidden'}`}
      >
        {proposal?.isPlate && <PlateText text={text} {...proposal} />}
        {reader && question ? (
          <Ask
            question={question}
            words={reader.questionWords(question)}
            step={question.step && reader.STEP_OF[question.step]}
            optionId={optionId}
            station={station && reader.stationWords(station)}
            onStation={() => {
              if (station) edit(fillStation(optionId, station));
              type('');
            }}
            choiceWords={(choice) => reader.choiceWords(text, question, choice, firm, bus)}
            loud={asked}
            onFix={(meant) => type(reader.mended(text, question, meant))}
          />
        ) : (
          proposal && <Preview proposal={proposal} loud={asked} onAdd={() => add()} />
        )}
        <div {...getMenuProps({ 'aria-label': 'Appliance types' })}>
          {(open ? matches : []).map((appliance, index) => (
            <div
              key={appliance.id}
              {...getItemProps({ item: appliance, index, onClick: () => add(appliance) })}
              className="flex cursor-pointer items-baseline justify-between gap-3 px-3 py-1 hover:bg-wash aria-selected:bg-wash phone:min-h-11 phone:items-center"
            >
              <span>{appliance.name}</span>
              <span className="num text-note text-ink-2">
                {showText(runningPowerW(appliance.draw), 'W')}
                {appliance.own ? oursWords(appliance) : `, usually ${appliance.lowW}–${appliance.highW}`}
              </span>
            </div>
          ))}
        </div>
      </div>
    </div>
  );
}

/** A plate that is pasted keeps its lines, each behind a bar. */
function pasteLines(event: React.ClipboardEvent<HTMLInputElement>, type: (text: string) => void) {
  const pasted = event.clipboardData.getData('text').trim();
  if (!pasted.includes('\n')) return;
  event.preventDefault();
  const { value, selectionStart, selectionEnd } = event.currentTarget;
  const lines = pasted.split(/\s*\n\s*/).join(' ¦ ');
  const before = value.slice(0, selectionStart ?? value.length);
  type(`${before}${before.trim() === '' ? '' : ' ¦ '}${lines}${value.slice(selectionEnd ?? value.length)}`);
}

/** How far units of one of the firm's own differ. */
function oursWords({ spread }: Appliance): string {
  if (!spread) return ', ours';
  const { units, unit, least, most } = spread;
  const range = units > 1 ? ` ${formatNumber(least)}–${formatNumber(most)} ${unit}` : '';
  return `, ours: ${units} ${units === 1 ? 'unit' : 'units'}${range} measured`;
}

/** Events of the list that change nothing here: the pointer passing over it, the field being left, a choice made. */
const KEYS_ONLY: ReadonlySet<string> = new Set([
  useCombobox.stateChangeTypes.ItemMouseMove,
  useCombobox.stateChangeTypes.MenuMouseLeave,
  useCombobox.stateChangeTypes.InputBlur,
  useCombobox.stateChangeTypes.InputKeyDownEnter,
  useCombobox.stateChangeTypes.ItemClick,
]);

/** What the lines of this job meet: the bus of the option that is open, and the region's mains. */
function useBus(): Bus {
  const { job, optionId } = useJob();
  const busV = job.options.find(({ id }) => id === optionId)?.system.busVoltageV ?? 12;
  const mainsV = MAINS_V[job.brief.region.mains];
  return useMemo(() => ({ busV, mainsV }), [busV, mainsV]);
}

/** The sign for direct current is in few typefaces. */
const legible = (text: string): string => text.replace(/\s*[⎓⏛]\s*/g, ' DC ');

/** The nameplate as pasted, with what was read of it marked, and how the watts came about. */
function PlateText({ text, reading, power }: { text: string } & Pick<Proposal, 'reading' | 'power'>) {
  const parts: React.ReactNode[] = [];
  let at = 0;
  for (const { start, end } of reading.places) {
    parts.push(legible(text.slice(at, start)));
    parts.push(
      <mark key={start} className="bg-wash font-medium text-ink">
        {legible(text.slice(start, end))}
      </mark>,
    );
    at = end;
  }
  parts.push(legible(text.slice(at)));
  return (
    <div className="border-b border-line px-3 py-2" data-label-read={reading.facts.length}>
      <p className="num break-words text-ink-2">{parts}</p>
      {power.powerW !== null && (
        <p className="num mt-1 text-note text-ink-2">
          {showText(power.powerW, 'W')}: {power.because}
        </p>
      )}
    </div>
  );
}

/** What the words were taken for: another type is one arrow key away, or below. */
function AsWhat({ appliance }: Proposal) {
  return (
    <>
      {appliance ? `taken as ${appliance.name}` : 'a type of its own'}
      <span className="phone:hidden">{appliance ? ', ↓ for another' : ', ↓ for one of the catalogue'}</span>
    </>
  );
}

function Preview({ proposal, loud, onAdd }: { proposal: Proposal; loud: boolean; onAdd: () => void }) {
  const { load, missing } = proposal;
  if (!load) {
    const ask =
      missing === 'name'
        ? 'What is it? Write its name before the label, or choose:'
        : 'No type by that name. How many watts, such as 60 W or 12 V 5 A?';
    return (
      <p role={loud ? 'alert' : undefined} className={`px-3 py-2 ${loud ? 'font-medium text-copper' : 'text-ink-2'}`}>
        {ask}
      </p>
    );
  }
  return (
    <button
      type="button"
      onClick={onAdd}
      className="flex w-full items-baseline justify-between gap-3 border-b border-line px-3 py-2 text-left hover:bg-wash phone:min-h-12"
    >
      <span>
        <span className="font-semibold">
          {load.quantity > 1 && `${load.quantity} × `}
          {load.name}
        </span>{' '}
        <span className="num text-ink-2">
          {showText(runningPowerW(load.draw), 'W')}, {formatUse(load)}, {PATH_WORDS[load.path].short}
        </span>
        <span className="num block text-note text-ink-2">
          <AsWhat {...proposal} />
          {proposal.notes.map((note) => `; ${note}`)}
        </span>
      </span>
      <span className="num text-note text-ink-2 phone:hidden">Enter</span>
      <span className="hidden border-b border-ink font-medium phone:inline">Add</span>
    </button>
  );
}

function Ask({
  question,
  words,
  step,
  optionId,
  station,
  onStation,
  choiceWords,
  loud,
  onFix,
}: {
  question: Question;
  words: string;
  /** Where it belongs, when it is no load. */
  step: StepPath | undefined;
  optionId: string;
  /** What the plate of a station fills in, in words. */
  station: string | undefined;
  onStation: () => void;
  choiceWords: (choice: string) => string;
  loud: boolean;
  onFix: (meant: string) => void;
}) {
  return (
    <div role={loud ? 'alert' : undefined} className="border-b border-line px-3 py-2">
      <p className="font-medium text-copper">{words}</p>
      {question.choices.length > 0 && (
        <p className="mt-1 flex flex-wrap gap-x-5 gap-y-1">
          {question.choices.map((choice) => (
            <button
              key={choice}
              type="button"
              onClick={() => onFix(choice)}
              className="num border-b border-ink font-medium phone:min-h-11"
            >
              {choiceWords(choice)}
            </button>
          ))}
        </p>
      )}
      {station && (
        <p className="mt-1">
          <span className="num block text-ink-2">{station}</span>
          <button type="button" onClick={onStation} className="border-b border-ink font-medium phone:min-h-11">
            Take it down as the station of this option
          </button>
        </p>
      )}
      {step && (
        <p className="mt-1">
          <Link
            to={{ pathname: `../${step}`, search: `?option=${optionId}` }}
            className="border-b border-ink font-medium phone:min-h-11"
          >
            Go to {STEPS.find(({ path }) => path === step)?.name}
          </Link>
        </p>
      )}
    </div>
  );
}
