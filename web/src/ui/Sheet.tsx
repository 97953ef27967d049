import { lazy, Suspense } from 'react';

export interface SheetProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly description?: string;
  readonly children: React.ReactNode;
}

const SheetBody = lazy(() => import('./SheetBody.tsx').then((module) => ({ default: module.SheetBody })));

/** A dialog of this product: a plain sheet with an ink edge. What draws it is fetched after the first screen. */
export function Sheet({ open, ...sheet }: SheetProps) {
  if (!open) return null;
  return (
    <Suspense fallback={null}>
      <SheetBody {...sheet} />
    </Suspense>
  );
}
