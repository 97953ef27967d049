import { type FormChoice, type InverterDetail, type SizedInverter, showText } from '@joulemetric/core';
import { changeDevice } from '../../commands/design.ts';
import { useDevice, useJob } from '../../shell/JobContext.tsx';
import { FORM_WORDS } from './words.ts';

/** Which kind: what each makes possible on the supplies of this job. */
export function Forms({ inverter, detail }: { inverter: SizedInverter; detail: InverterDetail | null }) {
  const { job, edit, optionId } = useJob();
  const device = useDevice(inverter.device);
  return (
    <div className="pt-5">
      <h3 className="border-b border-ink pb-1 text-body font-semibold">
        Which kind{' '}
        <span className="num font-normal text-note text-ink-2">what it makes possible where there is a supply</span>
      </h3>
      <fieldset>
        <legend className="sr-only">Kind of {device.name}</legend>
        {(detail?.forms ?? []).map((choice) => {
          const isOn = device.form === choice.form;
          const { name, what } = FORM_WORDS[choice.form];
          return (
            <div key={choice.form} className={`border-line-2 ${isOn ? 'border-y border-y-ink' : 'border-b'}`}>
              <label className="grid grid-cols-[22px_minmax(0,1fr)_minmax(0,1fr)] items-baseline gap-x-4 py-1.5 @max-[620px]:grid-cols-[22px_minmax(0,1fr)]">
                <input
                  type="radio"
                  name={`form-${device.id}`}
                  aria-label={name}
                  checked={isOn}
                  onChange={() => edit(changeDevice(optionId, device.id, { form: choice.form }))}
                  className="size-4 translate-y-0.5 accent-[var(--ink)]"
                />
                <span>
                  <span className={`text-number ${isOn ? 'font-semibold' : 'font-medium'}`}>{name}</span>
                  <span className="num block text-ink-2">{what}</span>
                </span>
                <span className="num text-ink-2 @max-[620px]:col-start-2">
                  {job.brief.supplies.length === 0
                    ? 'No supply in this job yet: add one below.'
                    : outcomes(choice, job.brief.supplies).map((sentence) => (
                        <span key={sentence} className="block">
                          {sentence}
                        </span>
                      ))}
                </span>
              </label>
            </div>
          );
        })}
      </fieldset>
    </div>
  );
}

function outcomes(
  { form, detourWh, on }: FormChoice,
  supplies: readonly { readonly id: string; readonly name: string }[],
): string[] {
  if (form === 'stand-alone') {
    return [`Everything goes through the store, plugged in too: ${showText(detourWh, 'Wh')} a day more than straight.`];
  }
  return on.map(({ supplyId, unit, worstSize, limitSize, fits, helped, assistW }) => {
    const name = supplies.find(({ id }) => id === supplyId)?.name ?? supplyId;
    const asked = `${showText(worstSize, unit)} of ${showText(limitSize, unit)}`;
    if (fits) return `${name}: all of it at once, ${asked}.`;
    if (helped) return `${name}: all of it at once, ${showText(assistW, 'W')} of it from the battery.`;
    return `${name}: not all at once, ${asked}; something must wait.`;
  });
}
