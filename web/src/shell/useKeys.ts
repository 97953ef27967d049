import { useEffect } from 'react';
import type { Action } from './actions.ts';

/** Single-key shortcuts can be switched off (WCAG 2.1.4); this remembers it. */
const SINGLE_KEYS = 'joulemetric:single-keys';
export const singleKeysOn = (): boolean => localStorage.getItem(SINGLE_KEYS) !== 'off';
export const setSingleKeys = (on: boolean): void => localStorage.setItem(SINGLE_KEYS, on ? 'on' : 'off');

function pressed(event: KeyboardEvent): string {
  const modifiers = [
    event.ctrlKey || event.metaKey ? 'Ctrl+' : '',
    event.altKey ? 'Alt+' : '',
    event.shiftKey && event.key.length === 1 && /[a-z]/i.test(event.key) ? 'Shift+' : '',
  ].join('');
  const key = event.altKey && event.code.startsWith('Digit') ? event.code.slice(5) : event.key;
  return modifiers + (key.length === 1 ? key.toUpperCase() : key);
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.matches('input, textarea, select') || target.isContentEditable);

/** Runs actions by their keys. While typing, undo is the field's own, and single keys are text. */
export function useKeys(actions: readonly Action[], extra: Readonly<Record<string, () => void>>): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const keys = pressed(event);
      const single = keys.length === 1;
      if (isTyping(event.target) && (single || keys === 'Escape')) return;
      if (single && !singleKeysOn()) return;
      const run = extra[keys] ?? actions.find((action) => action.keys === keys && action.enabled)?.run;
      if (!run) return;
      event.preventDefault();
      run();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [actions, extra]);
}
