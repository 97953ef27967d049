import { useEffect, useLayoutEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import type { Action } from './actions.ts';
import { isPlain } from './keys.ts';

/** Single-key shortcuts can be switched off (WCAG 2.1.4); this remembers it. */
const SINGLE_KEYS = 'joulemetric:single-keys';
export const singleKeysOn = (): boolean => localStorage.getItem(SINGLE_KEYS) !== 'off';
export const setSingleKeys = (on: boolean): void => localStorage.setItem(SINGLE_KEYS, on ? 'on' : 'off');

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.matches('input, textarea, select') || target.isContentEditable);

/** Runs actions by their keys. While typing, plain keys are text. */
export function useKeys(actions: readonly Action[], extra: Readonly<Record<string, () => void>>): void {
  // The keys stay bound while what they do changes: the second key of a pair may come after the page was drawn anew.
  const latest = useRef({ actions, extra });
  useEffect(() => {
    latest.current = { actions, extra };
  });
  // Bound as the page appears: a key pressed at once counts.
  const all = [...actions.flatMap(({ keys }) => keys ?? []), ...Object.keys(extra)].join('\n');
  useLayoutEffect(() => {
    const bindings = all.split('\n').flatMap((keys) => {
      const act = (event: KeyboardEvent) => {
        if (isPlain(keys) && (isTyping(event.target) || (keys !== 'Escape' && !singleKeysOn()))) return;
        const now = latest.current;
        const run = now.extra[keys] ?? now.actions.find((action) => action.keys === keys && action.enabled)?.run;
        if (!run) return;
        event.preventDefault();
        run();
      };
      // Signs such as / and ? need Shift on some keyboards and none on others.
      const isSign = keys.length === 1 && !/[a-z]/i.test(keys);
      return isSign ? [[keys, act] as const, [`Shift+${keys}`, act] as const] : [[keys, act] as const];
    });
    return tinykeys(window, Object.fromEntries(bindings));
  }, [all]);
}
