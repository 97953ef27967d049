import { useEffect, useState } from 'react';

/** A value as it was once it has stayed the same for a while: for what need not follow every keystroke. */
export function useSettled<T>(value: T, ms: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(() => value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return settled;
}
