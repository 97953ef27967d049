import { type LogReading, MARKS, QUANTITY, type Quantity, readSpoken } from '@joulemetric/core';
import { useState } from 'react';
import { keepPhoto, keepReading, useOutbox } from '../../edges/useOutbox.ts';
import { Button } from '../../ui/Button.tsx';
import { CameraButton } from '../../ui/CameraButton.tsx';
import { useReadIn } from './logUnits.ts';
import { momentSaid } from './momentSaid.ts';

const TYPED = ['soc', 'v', 'a', 'w', 'wh', 'ah', 'c'] as const satisfies readonly Quantity[];
const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const;
const MOST_DIGITS = 9;
const MOST_NOTE = 400;
const MARK_WORDS: Readonly<Record<(typeof MARKS)[number], string>> = {
  start: 'Start',
  stop: 'Stop',
  phase: 'Phase',
  'cut-out': 'Cut out',
  rest: 'At rest',
};

type Values = Partial<Record<Quantity, string>>;

/** A time on the wall as a field of the page takes it. */
const wallOf = (ms: number): string =>
  new Date(ms - new Date(ms).getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
const clockText = (when: Date): string =>
  when.toLocaleString(undefined, { weekday: 'short', hour: '2-digit', minute: '2-digit' });
const wallNow = (): string => wallOf(Date.now());

/**
 * A reading with one thumb: what, how much, done. The time is now unless another is said; several quantities of one
 * moment make one reading. It is kept in the browser before it is sent.
 */
export function Keypad({
  jobId,
  logId,
  entries,
}: {
  jobId: string | null;
  logId: string;
  entries: readonly LogReading[];
}) {
  const last = entries.at(-1) ?? null;
  const waiting = useOutbox().waiting.filter(({ item }) => item.kind === 'reading' && item.logId === logId).length;
  const [quantity, setQuantity] = useState<Quantity>(() => TYPED.find((one) => last?.[one] != null) ?? 'soc');
  const [values, setValues] = useState<Values>({});
  const [at, setAt] = useState<string | null>(null);
  const [note, setNote] = useState('');
  const [said, setSaid] = useState('');
  const [toGo, setToGo] = useState('');
  const [told, setTold] = useState<string | null>(null);
  /** The id of a photo that is kept already and goes with the reading. */
  const [photo, setPhoto] = useState<string | null>(null);
  /** The photo's own time is the reading's; what it shows is typed then. It is sent with the reading, when there is a signal. */
  const takePhoto = async (file: File) => {
    if (jobId === null) return;
    // A second photo is another reading's: the one before is kept with its own.
    if (photo !== null && !(await save())) return;
    setPhoto(await keepPhoto(jobId, file));
    setAt(wallOf(file.lastModified));
    setTold('The photo is here, with its own time. Type what it shows.');
  };
  const text = values[quantity] ?? '';
  const readIn = useReadIn();
  const { word } = QUANTITY[quantity];
  const { unit, least, most, to } = readIn(quantity);
  const typed = Object.entries(values)
    .filter(([, value]) => value !== '' && value !== '-')
    .map(([key, value]) => [key as Quantity, Number(value)] as const);
  const type = (key: string) => {
    setTold(null);
    setValues((now) => ({ ...now, [quantity]: typedOn(now[quantity] ?? '', key) }));
  };
  /** @returns whether there was something to save and it is kept */
  const save = async (mark?: (typeof MARKS)[number]): Promise<boolean> => {
    for (const [key, value] of typed) {
      const { least: low, most: high, unit: of } = readIn(key);
      if (!(value >= low && value <= high)) {
        setQuantity(key);
        setTold(`Between ${low} and ${high} ${of}.`);
        return false;
      }
    }
    const more = readSpoken(said);
    if (more.question) {
      setTold(more.question);
      return false;
    }
    const kept = { ...more.values, ...Object.fromEntries(typed.map(([key, value]) => [key, readIn(key).from(value)])) };
    const other = typed.find(([key]) => (more.values[key] ?? kept[key]) !== kept[key]);
    const isTwice =
      (at !== null && more.at !== null) || (toGo.trim() !== '' && more.toGo !== '' && toGo.trim() !== more.toGo);
    if (other || isTwice || (mark && more.mark && mark !== more.mark)) {
      setTold('What is typed and what is said are not the same: leave one of them out.');
      return false;
    }
    const marked = mark ?? more.mark ?? undefined;
    const those = Object.entries(kept) as [Quantity, number][];
    const toGoSaid = toGo.trim() || more.toGo;
    if (those.length === 0 && marked === undefined && note + more.note + toGoSaid === '' && photo === null) {
      setTold('Type what the display shows.');
      return false;
    }
    const saidAt = more.at === null ? null : momentSaid(more.at, entries, Date.now());
    if (typeof saidAt === 'string') {
      setTold(saidAt);
      return false;
    }
    const when = at !== null ? new Date(at) : saidAt === null ? new Date() : new Date(saidAt);
    const words = [note.trim(), more.note].filter(Boolean).join(', ').slice(0, MOST_NOTE);
    const reading: LogReading = {
      at: when.toISOString(),
      ...kept,
      ...(marked ? { mark: marked } : {}),
      ...(words ? { note: words } : {}),
      ...(toGoSaid ? { toGo: toGoSaid } : {}),
      ...(photo ? { photo } : {}),
    };
    await keepReading(logId, reading);
    setValues({});
    setNote('');
    setSaid('');
    setToGo('');
    setPhoto(null);
    setAt(null);
    setTold(
      `Kept${saidAt === null ? '' : ` at ${clockText(when)}`}: ${[...those.map(([key, value]) => `${readIn(key).to(value)} ${readIn(key).unit}`), ...(marked ? [MARK_WORDS[marked].toLowerCase()] : [])].join(', ') || 'a note'}.`,
    );
    return true;
  };
  return (
    <section aria-label="A reading" className="max-w-[420px]">
      <div className="flex justify-between gap-1">
        {TYPED.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === quantity}
            title={QUANTITY[one].word}
            onClick={() => setQuantity(one)}
            className={`num min-h-9 min-w-9 grow border-b-2 text-number phone:min-h-11 ${one === quantity ? 'border-ink font-semibold' : 'border-line text-ink-2'}`}
          >
            {readIn(one).unit}
            {values[one] && one !== quantity ? <span className="text-copper">·</span> : null}
          </button>
        ))}
      </div>
      <div className="flex items-baseline justify-between gap-3 py-2">
        <label className="num flex min-w-0 grow items-baseline gap-1.5 border-b-2 border-ink">
          <span className="sr-only">{word}</span>
          <input
            inputMode="none"
            value={text}
            placeholder={last?.[quantity] == null ? '' : String(to(last[quantity]))}
            onChange={(event) =>
              setValues((now) => ({
                ...now,
                [quantity]: event.target.value
                  .replace(',', '.')
                  .replace(/[^\d.-]/g, '')
                  .slice(0, MOST_DIGITS),
              }))
            }
            onKeyDown={(event) => event.key === 'Enter' && void save()}
            className="w-full min-w-0 bg-transparent text-figure font-medium placeholder:text-mark focus:outline-none"
          />
          <span className="text-total text-ink-2">{unit}</span>
        </label>
        {least < 0 && (
          <button
            type="button"
            aria-label="Other sign"
            onClick={() => type('±')}
            className="num min-h-9 min-w-11 text-total phone:min-h-11"
          >
            ±
          </button>
        )}
      </div>
      <div className="grid grid-cols-3 border-l border-t border-line">
        {KEYS.map((key) => (
          <button
            key={key}
            type="button"
            aria-label={key === '⌫' ? 'Take the last digit back' : key}
            onClick={() => type(key)}
            className="num min-h-10 border-b border-r border-line text-question active:bg-wash phone:min-h-14"
          >
            {key}
          </button>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-3">
        <Button strong className="grow phone:min-h-14" onClick={() => void save()}>
          Keep this reading
        </Button>
        {/* Photos are kept with a job. */}
        {jobId !== null && (
          <CameraButton label="Photo of the display" onPhoto={(file) => void takePhoto(file)}>
            {photo ? 'photo ✓' : 'photo'}
          </CameraButton>
        )}
        {at === null ? (
          <button
            type="button"
            onClick={() => setAt(wallNow())}
            className="border-b border-mark text-number text-ink-2 phone:min-h-11"
          >
            now
          </button>
        ) : (
          <input
            type="datetime-local"
            aria-label="When it was read"
            value={at}
            max={wallNow()}
            onChange={(event) => setAt(event.target.value || null)}
            className="num border-b border-ink bg-transparent text-number phone:min-h-11"
          />
        )}
      </div>
      <p role="status" className="min-h-5 pt-1 text-note text-ink-2">
        {told}
        {waiting > 0 &&
          ` ${waiting} ${waiting === 1 ? 'reading waits' : 'readings wait'} in this browser for the server.`}
      </p>
      <Line
        label="Or said: the keyboard’s microphone writes it here"
        placeholder="at 2 h: 81 %, display 1 day, lid twice"
        value={said}
        onChange={setSaid}
        onEnter={() => void save()}
        most={200}
      />
      <details className="text-body">
        <summary className="text-ink-2 phone:min-h-11">Marks, note, time to go</summary>
        <div className="flex flex-wrap gap-2 py-2">
          {MARKS.map((mark) => (
            <Button key={mark} onClick={() => void save(mark)}>
              {MARK_WORDS[mark]}
            </Button>
          ))}
        </div>
        <Line label="The display’s own time to go" placeholder="1 d 4 h" value={toGo} onChange={setToGo} most={20} />
        <Line label="Note" placeholder="door opened twice" value={note} onChange={setNote} most={400} />
      </details>
      <span className="sr-only">{`from ${least} to ${most}`}</span>
    </section>
  );
}

function Line({
  label,
  placeholder,
  value,
  onChange,
  onEnter,
  most,
}: {
  label: string;
  placeholder: string;
  value: string;
  onChange: (value: string) => void;
  onEnter?: () => void;
  most: number;
}) {
  return (
    <label className="block pb-2">
      <span className="block text-note text-ink-2">{label}</span>
      <input
        value={value}
        maxLength={most}
        placeholder={placeholder}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && onEnter?.()}
        className="w-full border-b border-line bg-transparent py-1 text-number focus:border-ink focus:outline-none phone:min-h-11"
      />
    </label>
  );
}

function typedOn(text: string, key: string): string {
  if (key === '⌫') return text.slice(0, -1);
  if (key === '±') return text.startsWith('-') ? text.slice(1) : `-${text}`;
  if (key === '.' && text.includes('.')) return text;
  return text.length >= MOST_DIGITS ? text : text + key;
}
