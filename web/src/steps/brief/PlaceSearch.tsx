import { useCombobox } from 'downshift';
import { useState } from 'react';
import useSWR from 'swr';
import { moveTo } from '../../commands/design.ts';
import type { FoundPlace } from '../../edges/answers.ts';
import { api } from '../../edges/api.ts';
import { useEditing } from '../../shell/JobContext.tsx';
import { useSettled } from '../../ui/useSettled.ts';

/** ms that the name must have stood before it is asked for. */
const SETTLED_MS = 200;
const SHORTEST = 2;

const COUNTRIES = new Intl.DisplayNames('en', { type: 'region' });
const countryOf = (code: string): string => COUNTRIES.of(code) ?? code;
const to2 = (degrees: number): number => Math.round(degrees * 100) / 100;

/** Finds a place by its name: where it is follows, and with it the time of the sun. */
export function PlaceSearch() {
  const { edit } = useEditing();
  const [text, setText] = useState('');
  const asked = useSettled(text.trim(), SETTLED_MS);
  const { data, error } = useSWR(
    asked.length >= SHORTEST ? ['places', asked] : null,
    ([, name]) => api.findPlaces(name),
    { keepPreviousData: true, shouldRetryOnError: false },
  );
  const found = text.trim().length >= SHORTEST ? (data ?? []) : [];
  const choose = ({ name, country, latitudeDeg, longitudeDeg }: FoundPlace) => {
    const label = `${name}, ${countryOf(country)}`.slice(0, 120);
    edit(moveTo({ label, latitudeDeg: to2(latitudeDeg), longitudeDeg: to2(longitudeDeg) }));
    setText('');
  };
  const { isOpen, highlightedIndex, getInputProps, getLabelProps, getMenuProps, getItemProps } =
    useCombobox<FoundPlace>({
      items: [...found],
      inputValue: text,
      selectedItem: null,
      itemToString: (place) => place?.name ?? '',
      onInputValueChange: ({ inputValue, type }) => {
        if (type === useCombobox.stateChangeTypes.InputChange) setText(inputValue);
      },
      onSelectedItemChange: ({ selectedItem }) => selectedItem && choose(selectedItem),
    });
  const label = getLabelProps();
  const nothing = data?.length === 0 && asked === text.trim() && asked.length >= SHORTEST;
  return (
    <div className="relative">
      <label htmlFor={label.htmlFor} id={label.id} className="block text-note text-ink-2">
        Find a place by its name
      </label>
      <input
        {...getInputProps()}
        maxLength={80}
        placeholder="town or village"
        autoComplete="off"
        spellCheck={false}
        className="min-h-8 w-full border-b border-line bg-transparent py-1 text-number focus:border-ink focus:outline-none phone:min-h-11"
      />
      <ul
        {...getMenuProps()}
        className={`absolute z-10 w-full min-w-64 border border-ink bg-sheet ${isOpen && found.length > 0 ? '' : 'hidden'}`}
      >
        {isOpen &&
          found.map((place, index) => (
            <li
              key={place.id}
              {...getItemProps({ item: place, index })}
              className={`flex cursor-pointer justify-between gap-4 px-2.5 py-1 phone:min-h-11 phone:items-center ${index === highlightedIndex ? 'bg-wash' : ''}`}
            >
              <span>
                {place.name} <span className="text-ink-2">{countryOf(place.country)}</span>
              </span>
              <span className="num whitespace-nowrap text-ink-2">
                {degrees(place.latitudeDeg, 'N', 'S')} {degrees(place.longitudeDeg, 'E', 'W')}
              </span>
            </li>
          ))}
        {isOpen && found.length > 0 && (
          <li className="border-t border-line-2 px-2.5 py-1 text-note text-ink-2" aria-hidden="true">
            Places from the GeoNames gazetteer, CC BY 4.0
          </li>
        )}
      </ul>
      {error && text !== '' && (
        <p role="alert" className="mt-1 text-note text-copper">
          Places cannot be looked up just now. Type the latitude instead.
        </p>
      )}
      {nothing && <p className="mt-1 text-note text-ink-2">No place of that name. Type the latitude instead.</p>}
    </div>
  );
}

const degrees = (value: number, plus: string, minus: string): string =>
  `${Math.abs(value).toFixed(1)}° ${value < 0 ? minus : plus}`;
