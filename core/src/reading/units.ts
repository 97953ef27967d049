import { KG_PER_LB, M_PER_FT, W_PER_BTU_H, W_PER_HP } from '../quantity/units.ts';

/** What a unit measures. */
export type Measure =
  | 'power'
  | 'apparent'
  | 'shaft'
  | 'cooling'
  | 'voltage'
  | 'current'
  | 'energy'
  | 'charge'
  | 'frequency'
  | 'duration'
  | 'share'
  | 'length'
  | 'area'
  | 'gauge'
  | 'conductor'
  | 'mass'
  | 'volume'
  | 'flow'
  | 'resistance'
  | 'angle'
  | 'kelvin'
  | 'celsius'
  | 'fahrenheit'
  | 'metres-or-minutes'
  | 'feet-or-minutes'
  | 'other';

/** A unit: what it measures, and what one of it is in the core's: W, VA, V, A, Wh, Ah, Hz, min, 0…1, m, m², kg, l, l/min, Ω, °, K, °C. */
export interface Unit {
  readonly of: Measure;
  readonly worth: number;
}

const GAL_L = 3.785411784;

/** Every unit that is read anywhere, by all its names in small letters: what it measures, its worth, the names. */
const TABLE: readonly (readonly [of: Measure, worth: number, names: string])[] = [
  ['power', 1, 'w|watt|watts|wt'],
  ['power', 1000, 'kw|kilowatt|kilowatts'],
  ['power', 0.001, 'mw|milliwatt|milliwatts'],
  ['apparent', 1, 'va|volt-amps|volt amps'],
  ['apparent', 1000, 'kva'],
  ['shaft', W_PER_HP, 'hp|horsepower|bhp'],
  ['shaft', 735.49875, 'ps|cv|ch'],
  ['cooling', W_PER_BTU_H, 'btu|btu/h|btu/hr|btus|btu h|btu per hour|btuh|btu/hour'],
  ['cooling', W_PER_BTU_H * 1000, 'kbtu|k btu|kbtu/h|k btu/h'],
  ['voltage', 1, 'v|volt|volts|vdc|vac|voltios'],
  ['voltage', 1000, 'kv'],
  ['voltage', 0.001, 'mv|millivolts'],
  ['current', 1, 'a|amp|amps|ampere|amperes|adc|aac|amperios'],
  ['current', 0.001, 'ma|milliamp|milliamps|milliampere'],
  ['energy', 1, 'wh|watt-hour|watt-hours|watt hour|watt hours|watthours|w h'],
  ['energy', 1000, 'kwh|kilowatt-hour|kilowatt-hours|kilowatt hour|kilowatt hours|units of electricity|kw/h'],
  ['charge', 1, 'ah|amp-hour|amp-hours|amp hour|amp hours|amphours|ampere hours'],
  ['charge', 0.001, 'mah'],
  ['frequency', 1, 'hz|hertz'],
  ['duration', 60, 'h|hr|hrs|hour|hours|std|std.|stunde|stunden|heure|heures|hora|horas|uur|uren|ora|ore'],
  ['duration', 1, 'min|mins|min.|minute|minutes|minuten|minutos|minuti|minuut'],
  ['duration', 1 / 60, 's|sec|secs|sec.|second|seconds|sekunden|secondes|segundos|secondi|seconden'],
  ['share', 0.01, '%|percent|per cent|pct|prozent|por ciento'],
  ['length', 1, 'metre|metres|meter|meters|mtr|mtrs'],
  ['length', 0.01, 'cm'],
  ['length', 0.001, 'mm'],
  ['length', M_PER_FT, 'ft|foot|feet'],
  ['length', M_PER_FT / 12, 'in|inch|inches|"|″|”|zoll'],
  ['area', 1, 'm2|m²|sq m|sqm'],
  ['area', M_PER_FT ** 2, 'ft2|ft²|sq ft|sqft'],
  ['area', 1e-6, 'mm2|mm²|mm^2|sq mm|sqmm|sq. mm|qmm|mmq'],
  // Of a conductor: the number of its gauge, and thousands of circular mils.
  ['gauge', 1, 'awg|ga|gauge|b&s|b & s'],
  ['conductor', 0.50671e-6, 'kcmil|mcm'],
  ['mass', 1, 'kg|kgs|kilo|kilos'],
  ['mass', 0.001, 'g'],
  ['mass', 1000, 't'],
  ['mass', KG_PER_LB, 'lb|lbs|pound|pounds'],
  ['mass', KG_PER_LB / 16, 'oz'],
  ['volume', 1, 'l|lt|ltr|litre|litres|liter|liters'],
  ['volume', 0.001, 'ml'],
  ['volume', 1000, 'm3|m³'],
  ['volume', GAL_L, 'gal|gallon|gallons'],
  ['flow', 1, 'l/min|lpm|l / min|l per minute|litres/min|litres a minute|litres per minute'],
  ['flow', 1 / 60, 'l/h|lph|l per hour|l/hr|litres per hour'],
  ['flow', GAL_L, 'gpm|gal/min'],
  ['flow', GAL_L / 60, 'gph'],
  ['resistance', 1, 'ω|ohm|ohms'],
  ['resistance', 0.001, 'mω|mohm|mohms|milliohm|milliohms'],
  ['angle', 1, '°|deg|degree|degrees|º'],
  ['kelvin', 1, 'k|kelvin'],
  ['celsius', 1, '°c|c|℃|deg c|degc|degrees c|degrees celsius|º c|celsius'],
  ['fahrenheit', 1, '°f|f|℉|deg f|degf|degrees f|degrees fahrenheit|fahrenheit'],
  ['metres-or-minutes', 1, 'm'],
  ['feet-or-minutes', 1, "'|′|’"],
  [
    'other',
    1,
    'bar|mbar|psi|kpa|mpa|rpm|u/min|min-1|min⁻¹|lm|lumen|lumens|px|gb|tb|mb|mhz|ghz|khz|db|dba|µf|uf|cc|ppm|cfm|m/s|km/h|mph|nm|cd|mbps|fps|mp',
  ],
];

/** Units by name. */
export const UNITS: ReadonlyMap<string, Unit> = new Map(
  TABLE.flatMap(([of, worth, names]) => names.split('|').map((name): [string, Unit] => [name, { of, worth }])),
);

/** Readings outside of these are no quantity of an appliance, in the core's units; of two readings of a number one is then out. */
export const POSSIBLE: Readonly<Partial<Record<Measure, readonly [number, number]>>> = {
  power: [0.3, 20_000],
  cooling: [200, 20_000],
  shaft: [5, 8000],
  apparent: [0.3, 20_000],
  voltage: [1, 500],
  current: [0.01, 600],
  energy: [1, 50_000],
  charge: [0.1, 2000],
  duration: [1 / 60, 1440],
};

/** Measures whose numbers reach the thousands, so that a blank may group them. */
export const MANY: ReadonlySet<Measure> = new Set(['power', 'cooling', 'apparent', 'energy', 'charge']);
