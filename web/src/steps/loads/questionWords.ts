import type { Question } from '@joulemetric/core';
import type { StepPath } from '../../shell/steps.ts';

/** Where what is no load is taken down. */
export const STEP_OF: Readonly<Record<NonNullable<Question['step']>, StepPath>> = {
  battery: 'store',
  solar: 'sources',
  alternator: 'sources',
  controller: 'sources',
  dcdc: 'sources',
  generator: 'moment',
  shore: 'moment',
  station: 'paths',
  inverter: 'paths',
  wiring: 'runs',
};

/** A question about what was typed, in plain words; its choices stand below it. */
export function questionWords({ code, found }: Question): string {
  switch (code) {
    case 'power-per-time':
      return `“${found}”: watts are already per time. Which is meant?`;
    case 'current-per-time':
      return `“${found}”: amps are already a rate. Which is meant?`;
    case 'energy-per-hour':
      return `“${found}”: watt-hours in an hour are watts.`;
    case 'charge-per-hour':
      return `“${found}”: amp-hours in an hour are amps.`;
    case 'battery':
      return 'A battery holds kilowatt-hours and is no load: it is taken down in the Store step.';
    case 'source':
      return `“${found}” gives power or passes it on and is no load. It has its own step, where its plate can be pasted.`;
    case 'breaker':
      return `“${found}” is what protects the cable, not what the appliance takes. Read the watts on its label.`;
    case 'contradiction':
      return `${found}: they do not go together. Which stands?`;
    case 'energy-above-power':
      return `“${found}” is more than its watts give in that time. A slip of the decimal point?`;
    case 'energy-unlike-use':
      return `“${found}” does not go with the watts and the time beside it. Take it out, or mend the others.`;
    case 'two-readings':
      return `“${found}”: does the mark group thousands or begin a fraction?`;
    case 'negative':
      return `“${found}”: a load takes power, it does not give any.`;
    case 'range':
      return `“${found}”: from where to where is known; what does it take on a usual day?`;
    case 'bare-number':
      return `“${found}” of what?`;
    case 'unread-word':
      return `“${found}” says when or how much and was not understood. Write it another way or take it out.`;
    case 'unread-rest':
      return `“${found}” was not understood. Say it another way; in brackets it belongs to the name.`;
    case 'second-figure':
      return `“${found}”: which of them, and what is the other for?`;
    case 'cooking-or-input':
      return `“${found}”: what it cooks with, or what it takes in? Microwaves are sold by what they cook with.`;
    case 'cooling-or-input':
      return `“${found}”: the cooling it gives, or the electricity it takes?`;
    case 'shaft-or-input':
      return `“${found}”: at the shaft, or taken in? Horsepower are of the shaft as a rule.`;
    case 'sound-or-input':
      return `“${found}”: the sound it gives at most, or what it takes in?`;
    case 'fixed-or-inverter':
      return `“${found}”: its compressor either on or off (most roof, window and portable ones), which starts about four times as strongly as it runs, or inverter-driven, which hardly does?`;
    case 'unlike-type':
      return `“${found}” is far more than such a thing takes. Does it take that, or is it something else?`;
    case 'several-outputs':
      return 'It has several outputs: which does the appliance use?';
    case 'whose-store':
      return `“${found}”: does it charge this very store? On its own inverter that is a loop.`;
    case 'over-a-day':
      return `“${found}” comes to more than 24 hours a day. How long does one piece run?`;
    case 'time-per-week':
      return `“${found}”: a part of it every day, or all of it on one?`;
    case 'like-a-bulb':
      return `“${found}” is its brightness in an old bulb's watts. What does this one take?`;
    case 'per-length':
      return `“${found}” of how long a piece? Write its length beside it, or its watts.`;
    case 'no-energy':
      return `“${found}” is nothing. Leave it out?`;
    case 'unfit':
      return `It cannot be taken: ${found}.`;
  }
}
