import { Dialog } from 'radix-ui';

export interface SheetBodyProps {
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly description?: string;
  readonly children: React.ReactNode;
}

/** A sheet while it is open. */
export function SheetBody({ onOpenChange, title, description, children }: SheetBodyProps) {
  return (
    <Dialog.Root open onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-[rgb(0_0_0/0.3)]" />
        <Dialog.Content
          {...(description ? {} : { 'aria-describedby': undefined })}
          className="fixed left-1/2 top-[12vh] z-30 max-h-[80vh] w-[560px] max-w-[calc(100vw-24px)] -translate-x-1/2 overflow-y-auto border border-ink bg-sheet px-6 py-5 focus:outline-none"
        >
          <Dialog.Title className="text-question font-semibold">{title}</Dialog.Title>
          {description && <Dialog.Description className="mt-1 text-body text-ink-2">{description}</Dialog.Description>}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
