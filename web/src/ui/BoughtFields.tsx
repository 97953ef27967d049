import { PriceField } from './PriceField.tsx';
import { RegionField } from './RegionField.tsx';

interface Bought {
  readonly kg: number | null;
  readonly price: number | null;
}

/** What a part weighs and costs. @param of whose, where several stand side by side */
export function BoughtFields({
  bought,
  of = '',
  usualKg = 'not known',
  onChange,
}: {
  bought: Bought;
  of?: string;
  /** What is taken while nothing is said. */
  usualKg?: string;
  onChange: (change: Partial<Bought>, key: string) => void;
}) {
  const label = (word: string): string => (of === '' ? word : `${word} of the ${of}`);
  return (
    <>
      <RegionField
        quantity="kg"
        label={label('Mass')}
        value={bought.kg}
        auto={usualKg}
        min={0.05}
        max={2000}
        onChange={(kg) => onChange({ kg }, 'kg')}
      />
      <PriceField label={label('Price')} value={bought.price} onChange={(price) => onChange({ price }, 'price')} />
    </>
  );
}
