import { Command } from 'cmdk';
import type { Action } from './actions.ts';
import { useJob, usePanels } from './JobContext.tsx';
import { shownKeys } from './keys.ts';

const GROUPS = ['Go to', 'Edit', 'Option', 'Job', 'View'] as const;

export interface PaletteProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly actions: readonly Action[];
}

/** Every action and every load by name. */
export function Palette({ open, onOpenChange, actions }: PaletteProps) {
  return (
    <Command.Dialog
      open={open}
      onOpenChange={onOpenChange}
      label="All commands"
      overlayClassName="fixed inset-0 z-20 bg-[rgb(0_0_0/0.3)]"
      contentClassName="fixed left-1/2 top-[12vh] z-30 w-[560px] max-w-[calc(100vw-24px)] -translate-x-1/2 border border-ink bg-sheet"
    >
      <Command.Input
        placeholder="What to do, or which load"
        className="w-full border-b border-line bg-transparent px-4 py-3 text-total focus:outline-none"
      />
      <Command.List className="max-h-[50vh] overflow-y-auto p-2">
        <Command.Empty className="px-2 py-3 text-body text-ink-2">Nothing by that name.</Command.Empty>
        <Choices actions={actions} onChosen={() => onOpenChange(false)} />
      </Command.List>
    </Command.Dialog>
  );
}

/** Drawn only while the palette is open. */
function Choices({ actions, onChosen }: { actions: readonly Action[]; onChosen: () => void }) {
  const { job } = useJob();
  const { open: openPanel } = usePanels();
  const choose = (run: () => void) => () => {
    onChosen();
    run();
  };
  return (
    <>
      {GROUPS.map((group) => (
        <Command.Group key={group} heading={group} className={HEADING}>
          {actions
            .filter((action) => action.group === group && action.enabled)
            .map((action) => (
              <Command.Item key={action.id} value={action.name} onSelect={choose(action.run)} className={ITEM}>
                {action.name}
                {action.keys && <kbd className="num text-note text-ink-2">{shownKeys(action.keys)}</kbd>}
              </Command.Item>
            ))}
        </Command.Group>
      ))}
      {job.loads.length > 0 && (
        <Command.Group heading="Loads" className={HEADING}>
          {job.loads.map((load) => (
            <Command.Item
              key={load.id}
              value={`${load.name} ${load.id}`}
              onSelect={choose(() => openPanel({ kind: 'load', id: load.id }))}
              className={ITEM}
            >
              {load.name}
            </Command.Item>
          ))}
        </Command.Group>
      )}
    </>
  );
}

const ITEM =
  'flex items-center justify-between px-2 py-1.5 text-number data-[selected=true]:bg-wash data-[selected=true]:font-medium';
const HEADING =
  '[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-note [&_[cmdk-group-heading]]:text-ink-2';
