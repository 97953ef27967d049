import { Suspense, useCallback, useMemo, useState } from 'react';
import { Outlet } from 'react-router';
import { LedgerPatterns } from '../ui/LedgerBar.tsx';
import { useActions } from './actions.ts';
import { usePanels } from './JobContext.tsx';
import { PhoneHead, PhoneTabs } from './PhoneBar.tsx';
import { Rail } from './Rail.tsx';
import { SidePanel } from './SidePanel.tsx';
import { Asked, Palette, Shortcuts } from './sheets.tsx';
import { useKeys } from './useKeys.ts';
import { Vitals } from './Vitals.tsx';

/** What stays on every step: rail, vitals, panel, palette. */
export function JobShell() {
  const [palette, setPalette] = useState(false);
  const openPalette = useCallback(() => setPalette(true), []);
  return (
    <div className="flex h-dvh flex-row phone:flex-col print:block print:h-auto">
      <LedgerPatterns />
      <Rail onPalette={openPalette} />
      <PhoneHead />
      <div className="flex min-h-0 min-w-0 grow flex-col print:block">
        <Vitals />
        <div className="flex min-h-0 grow print:block">
          <main
            className="@container relative min-w-0 grow overflow-y-auto print:overflow-visible"
            id="sheet"
            data-scroll
          >
            <Outlet />
          </main>
          <SidePanel />
        </div>
      </div>
      <PhoneTabs onPalette={openPalette} />
      <Commands palette={palette} setPalette={setPalette} />
      <Asked />
    </div>
  );
}

/** What can be done, by name and by key: drawn anew with every change of the job, and therefore apart from the rest. */
function Commands({ palette, setPalette }: { palette: boolean; setPalette: (open: boolean) => void }) {
  const { close } = usePanels();
  const actions = useActions();
  const [shortcuts, setShortcuts] = useState(false);
  const all = [
    ...actions,
    {
      id: 'shortcuts',
      name: 'Keyboard shortcuts',
      group: 'View' as const,
      enabled: true,
      run: () => setShortcuts(true),
    },
  ];
  const keys = useMemo(
    () => ({
      '$mod+k': () => setPalette(true),
      '?': () => setShortcuts(true),
      Escape: close,
    }),
    [close, setPalette],
  );
  // What is typed before the palette stands is not taken for keys of the page.
  useKeys(palette ? [] : actions, keys);
  return (
    <Suspense fallback={null}>
      {palette && <Palette open onOpenChange={setPalette} actions={all} />}
      {shortcuts && <Shortcuts open onOpenChange={setShortcuts} actions={actions} />}
    </Suspense>
  );
}
