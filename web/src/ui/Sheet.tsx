import { lazy, Suspense } from 'react';
import type { SheetBodyProps } from './SheetBody.tsx';

const SheetBody = lazy(() => import('./SheetBody.tsx').then((module) => ({ default: module.SheetBody })));

/** A dialog of this product: a plain sheet with an ink edge. What draws it is fetched after the first screen. */
export function Sheet({ open, ...sheet }: SheetBodyProps & { readonly open: boolean }) {
  if (!open) return null;
  return (
    <Suspense fallback={null}>
      <SheetBody {...sheet} />
    </Suspense>
  );
}
