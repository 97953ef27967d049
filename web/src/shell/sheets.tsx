import { lazy, Suspense } from 'react';
import { useSaved } from './JobContext.tsx';

/** What is asked or shown now and then over the page: fetched when there is nothing else to do, or when it is wanted. */
export const SHEETS = {
  palette: () => import('./Palette.tsx').then(({ Palette }) => ({ default: Palette })),
  shortcuts: () => import('./Shortcuts.tsx').then(({ Shortcuts }) => ({ default: Shortcuts })),
  conflict: () => import('./ConflictSheet.tsx').then(({ ConflictSheet }) => ({ default: ConflictSheet })),
  step: () => import('./StepSheet.tsx').then(({ StepSheet }) => ({ default: StepSheet })),
  left: () => import('./LeftSheet.tsx').then(({ LeftSheet }) => ({ default: LeftSheet })),
};

export const Palette = lazy(SHEETS.palette);
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
