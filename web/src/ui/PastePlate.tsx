import { readSheet } from '@joulemetric/core';
import { Popover } from 'radix-ui';
import { useId, useState } from 'react';
import { Button } from './Button.tsx';

type Read = ReturnType<typeof readSheet>;
type Kind = Parameters<typeof readSheet>[0];

/** A plate or data sheet, pasted: its figures go into the fields of the part beside it, and what no field is for is named. */
export function PastePlate({ kind, onRead }: { kind: Kind; onRead: (fields: Read['fields']) => void }) {
  const id = useId();
  const [text, setText] = useState('');
  const [taken, setTaken] = useState<Read | null>(null);
  const read = readSheet(kind, text);
  const count = Object.keys(read.fields).length;
  const take = () => {
    onRead(read.fields);
    setTaken(read);
    setText('');
  };
  const shown = text.trim() === '' ? taken : read;
  return (
    <Popover.Root onOpenChange={() => setTaken(null)}>
      <Popover.Trigger className="block min-h-6 text-note text-ink-2 underline decoration-mark underline-offset-4 hover:text-ink phone:min-h-11">
        or paste its plate
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          collisionPadding={8}
          className="z-20 w-[380px] max-w-[calc(100vw-16px)] border border-ink bg-sheet p-3"
        >
          <label htmlFor={id} className="block text-note text-ink-2">
            What stands on its plate or data sheet
          </label>
          <textarea
            id={id}
            value={text}
            rows={6}
            maxLength={4000}
            spellCheck={false}
            onChange={(event) => setText(event.target.value)}
            className="num mt-1 w-full border border-line bg-transparent p-2 text-[15px] focus:border-copper focus:outline-none"
          />
          <p role="status" className="num mt-1 text-note text-ink-2">
            {shown && taken === shown && `${figures(Object.keys(shown.fields).length)} taken. `}
            {shown && shown.left.length > 0 && `No field here is for: ${shown.left.join('; ')}.`}
          </p>
          <div className="mt-2">
            <Button disabled={count === 0} onClick={take}>
              {count === 0 ? 'Nothing read yet' : `Fill in ${figures(count)}`}
            </Button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const figures = (count: number): string => `${count} ${count === 1 ? 'figure' : 'figures'}`;
