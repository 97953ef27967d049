import { lazy, type ReactNode, Suspense, useState } from 'react';
import { useSaved } from './JobContext.tsx';
import type { PaletteProps } from './Palette.tsx';

/** A part that is fetched later; once it is there it is drawn at once, so that what is typed next is its own. */
function soon<P extends object>(load: () => Promise<{ default: (props: P) => ReactNode }>) {
  let loaded: ((props: P) => ReactNode) | null = null;
  const fetch = () =>
    load().then((module) => {
      loaded = module.default;
      return module;
    });
  const Lazy = lazy(fetch) as unknown as (props: P) => ReactNode;
  const Part = (props: P) => {
    // The same for as long as it is open.
    const [Shown] = useState(() => loaded ?? Lazy);
    return <Shown {...props} />;
  };
  return { fetch, Part };
}

const palette = soon<PaletteProps>(() => import('./Palette.tsx').then((module) => ({ default: module.Palette })));
export const Palette = palette.Part;

/** What is asked or shown now and then over the page: fetched when there is nothing else to do, or when it is wanted. */
export const SHEETS = {
  palette: palette.fetch,
  shortcuts: () => import('./Shortcuts.tsx').then(({ Shortcuts }) => ({ default: Shortcuts })),
  conflict: () => import('./ConflictSheet.tsx').then(({ ConflictSheet }) => ({ default: ConflictSheet })),
  step: () => import('./StepSheet.tsx').then(({ StepSheet }) => ({ default: StepSheet })),
  left: () => import('./LeftSheet.tsx').then(({ LeftSheet }) => ({ default: LeftSheet })),
};

export const Shortcuts = lazy(SHEETS.shortcuts);
const ConflictSheet = lazy(SHEETS.conflict);
const StepSheet = lazy(SHEETS.step);
const LeftSheet = lazy(SHEETS.left);

/** What has to be asked about edits: whose version stands, what an undo would change of somebody else’s, and what earlier tabs left. */
export function Asked() {
  const { save, asked, left, torn } = useSaved();
  return (
    <Suspense fallback={null}>
      {(save.kind === 'conflict' || save.kind === 'gone') && <ConflictSheet />}
      {asked && <StepSheet />}
      {left.length + torn.length > 0 && <LeftSheet />}
    </Suspense>
  );
}
