/** Types that do the same work for less, by the type they stand in for. Common practice. */
export const SWAPS: Readonly<Record<string, readonly string[]>> = {
  'fridge-domestic': ['fridge-large'],
  'cool-box-thermo': ['cool-box-compressor'],
  television: ['television-12v', 'monitor'],
  'computer-desktop': ['laptop-usb'],
  'fan-mains': ['fan-roof'],
  'blanket-mains': ['blanket'],
  vacuum: ['vacuum-12v'],
  'phone-adapter': ['phone'],
  'coffee-pod': ['coffee-filter'],
};

/** Heat that gas or diesel gives as well, with the W that the burner still takes from the bus. Common practice. */
export const ON_FUEL: Readonly<Record<string, number>> = {
  kettle: 0,
  'kettle-low': 0,
  hotplate: 0,
  'hob-1': 0,
  'hob-2': 0,
  'oven-mini': 0,
  'boiler-electric': 15,
  'fan-heater': 22,
  'panel-heater': 22,
  underfloor: 35,
};
