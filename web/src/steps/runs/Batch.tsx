import type { Run } from '@joulemetric/core';
import { useState } from 'react';
import { removeRuns } from '../../commands/runs.ts';
import { useEditing } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice, QuantityField } from '../../ui/Field.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { LengthField } from './LengthField.tsx';
import { SizeField } from './SizeField.tsx';
import type { ChangeRuns } from './useRuns.ts';
import { PROTECTIONS } from './words.ts';

/** Changes that are made to all ticked runs alike. */
export function Batch({
  ids,
  proposed,
  change,
  onDone,
}: {
  ids: readonly string[];
  proposed: readonly Run[];
  change: ChangeRuns;
  onDone: () => void;
}) {
  const { edit, optionId } = useEditing();
  const [protection, setProtection] = useState<Run['protection']>('as-needed');
  return (
    <section aria-label="Change the chosen runs" className="border-y border-ink bg-sheet px-3 py-2">
      <p className="font-semibold">
        {ids.length} {ids.length === 1 ? 'run' : 'runs'} chosen: what is put in here holds for all of them.
      </p>
      <div className="grid grid-cols-6 items-end gap-x-5 gap-y-2 pt-1 @max-[1000px]:grid-cols-3 @max-[560px]:grid-cols-2">
        <LengthField
          label="One way, all"
          value={null}
          auto={0}
          onChange={(lengthM) => lengthM !== null && change(ids, { lengthM }, 'length')}
        />
        <SizeField
          label="Size, all"
          value=""
          auto="6 mm², 10 AWG"
          onChange={(size) => size && change(ids, size, 'size')}
        />
        <RegionField
          label="Insulation bears, all"
          quantity="°C"
          min={60}
          max={250}
          value={null}
          usual={105}
          onChange={(insulationC) => insulationC !== null && change(ids, { insulationC }, 'insulation')}
        />
        <QuantityField
          label="Side by side, all"
          unit="conductors"
          whole
          min={1}
          max={24}
          value={null}
          auto="2"
          onChange={(bundled) => bundled !== null && change(ids, { bundled }, 'bundled')}
        />
        <Choice
          label="Protected by, all"
          value={protection}
          options={PROTECTIONS}
          onChange={(chosen) => {
            setProtection(chosen);
            change(ids, { protection: chosen }, 'protection');
          }}
        />
        <span className="flex flex-wrap gap-2">
          <Button onClick={() => change(ids, { areaMm2: null, parallel: 1, ratingA: null }, 'as-needed')}>
            Sizes as needed
          </Button>
        </span>
      </div>
      <p className="flex flex-wrap gap-3 pt-2">
        <Button
          onClick={() => {
            edit(removeRuns(optionId, proposed, ids));
            onDone();
          }}
        >
          Take them out
        </Button>
        <Button onClick={onDone}>Done</Button>
      </p>
    </section>
  );
}
