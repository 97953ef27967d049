import { freeId, type Kind } from '@joulemetric/core';
import { Fragment } from 'react';
import { QuantityField } from './Field.tsx';

interface Part {
  readonly id: string;
  readonly name: string;
}

/**
 * What is fitted of a kind: left to the program (null), none, one, or several in parallel, each with its size. One is a
 * single field; a part whose field is emptied is taken out.
 */
export function Parts<T extends Part>({
  parts,
  name,
  unit,
  kind,
  min,
  max,
  most,
  sizeOf,
  withValue,
  blank,
  more,
  onChange,
}: {
  parts: readonly T[] | null;
  /** What one is called. */
  name: string;
  unit: string;
  kind: Kind;
  /** 0 = it may be that none is fitted. */
  min: number;
  max: number;
  most: number;
  sizeOf: (part: T) => number;
  withValue: (part: T, value: number) => T;
  blank: T;
  /** Further fields of a part; `which` tells several apart and is empty for a single one. */
  more?: (part: T, replace: (part: T, key: string) => void, which: string) => React.ReactNode;
  onChange: (parts: T[] | null, key: string) => void;
}) {
  const field = { unit, kind, min, max };
  const list = parts ?? [];
  const replace = (old: T) => (part: T, key: string) =>
    onChange(
      list.map((one) => (one === old ? part : one)),
      `${old.id}-${key}`,
    );
  const add = () => {
    const number = list.length + 1;
    const taken = list.map(({ id }) => id);
    const like = list.at(-1) ?? blank;
    onChange([...list, { ...like, id: freeId(`${blank.id}-${number}`, taken), name: `${name} ${number}` }], 'more');
  };
  const only = list.length < 2 ? (list[0] ?? null) : null;
  return (
    <>
      {list.length < 2 && (
        <QuantityField
          {...field}
          label="Fitted"
          value={only ? sizeOf(only) : parts === null ? null : 0}
          auto="as required"
          onChange={(value) => {
            if (value === null) return onChange(null, 'size');
            if (value === 0) return onChange([], 'size');
            const part = only ?? { ...blank, id: `${blank.id}-1`, name: `${name} 1` };
            onChange([withValue(part, value)], 'size');
          }}
        />
      )}
      {only && more?.(only, replace(only), '')}
      {list.length > 1 &&
        list.map((part) => (
          <Fragment key={part.id}>
            <QuantityField
              {...field}
              min={Math.max(1, min)}
              label={part.name}
              value={sizeOf(part)}
              auto="taken out"
              onChange={(value) => {
                if (value !== null) return replace(part)(withValue(part, value), 'size');
                onChange(
                  list.filter((one) => one !== part),
                  `${part.id}-size`,
                );
              }}
            />
            {more?.(part, replace(part), part.name)}
          </Fragment>
        ))}
      {list.length > 0 && list.length < most && (
        <button type="button" className="self-end py-1 text-left text-note text-ink-2 underline" onClick={add}>
          One more beside it
        </button>
      )}
    </>
  );
}
