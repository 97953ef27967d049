import { changeRules } from '../commands/design.ts';
import { useJob } from '../shell/JobContext.tsx';
import { Choice } from './Field.tsx';

/** House rules about what coincides, with both sides said; asked in the brief and where they show. */

export function CoincideChoice() {
  const { job, edit } = useJob();
  const { coincide } = job.rules;
  return (
    <Choice
      label="What may coincide"
      value={coincide}
      options={[
        { value: 'any-time', label: 'anything, unless marked' },
        { value: 'by-lanes', label: 'what the lanes have at once' },
      ]}
      note={
        coincide === 'any-time'
          ? 'Holds on the day nobody planned; larger than a day that is kept.'
          : 'Smaller where the day is kept; a kettle an hour early breaks it.'
      }
      onChange={(choice) => edit(changeRules({ coincide: choice }))}
    />
  );
}

export function StartingChoice() {
  const { job, edit } = useJob();
  const { twoMayStart } = job.rules;
  return (
    <Choice
      label="Starting"
      value={twoMayStart ? 'two' : 'one'}
      options={[
        { value: 'one', label: 'one at a time' },
        { value: 'two', label: 'two may coincide' },
      ]}
      note={
        twoMayStart
          ? 'Two motors do meet now and then, and after every power cut.'
          : 'Two starts in the same instant are rare.'
      }
      onChange={(choice) => edit(changeRules({ twoMayStart: choice === 'two' }))}
    />
  );
}
