import { lazy, Suspense } from 'react';
import { usePanels } from './JobContext.tsx';
import { PANEL_CONTENTS } from './panelContents.ts';
import { useIsPhone } from './useIsPhone.ts';

const LoadDetail = lazy(PANEL_CONTENTS.load);
const FigureWorking = lazy(PANEL_CONTENTS.figure);
const PhonePanel = lazy(PANEL_CONTENTS.onPhone);

/** The panel on the right: a figure's working or a load in detail; a sheet from below on the phone. */
export function SidePanel() {
  const { panels, close, back } = usePanels();
  const isPhone = useIsPhone();
  const panel = panels.at(-1);
  if (!panel) return null;
  const title = panel.kind === 'figure' ? 'Working' : 'Load';
  const content = (
    <>
      <div className="mb-3 flex items-center justify-between">
        <h2 className="text-body font-semibold">{title}</h2>
        <span className="flex gap-3">
          {panels.length > 1 && (
            <button type="button" onClick={back} className="text-note text-ink-2 hover:text-ink phone:min-h-11">
              Back
            </button>
          )}
          <button
            type="button"
            onClick={close}
            className="text-note text-ink-2 hover:text-ink phone:min-h-11"
            aria-label="Close the panel"
          >
            {isPhone ? 'Close' : 'Esc'}
          </button>
        </span>
      </div>
      <Suspense fallback={null}>
        {panel.kind === 'figure' ? <FigureWorking panel={panel} /> : <LoadDetail key={panel.id} id={panel.id} />}
      </Suspense>
    </>
  );
  if (!isPhone) {
    return (
      <aside
        aria-label={title}
        className="w-[300px] shrink-0 overflow-y-auto border-l border-line bg-sheet px-[18px] py-3.5"
      >
        {content}
      </aside>
    );
  }
  return (
    <Suspense fallback={null}>
      <PhonePanel title={title} onClose={close}>
        {content}
      </PhonePanel>
    </Suspense>
  );
}
