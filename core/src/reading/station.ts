import { blankArray, blankCharger, blankDevice, blankLink, blankString } from '../job/blank.ts';
import type { Device, System } from '../job/schema.ts';
import { BUS_VOLTAGES } from '../job/values.ts';
import { figuresOf } from './sheet.ts';
import type { Measure } from './units.ts';

/** A portable power station by its plate: what it holds, what each input takes at most, what each port gives. */
export interface Station {
  readonly capacityWh: number | null;
  /** V of its battery. */
  readonly unitV: number | null;
  readonly inverterW: number | null;
  readonly surgeW: number | null;
  readonly solar: {
    readonly maxW: number | null;
    readonly maxV: number | null;
    readonly minV: number | null;
    readonly maxInputA: number | null;
  } | null;
  /** W that it takes in while driving, from the mains. */
  readonly carW: number | null;
  readonly mainsW: number | null;
  readonly ports: readonly Port[];
  /** Lines that say nothing of these. */
  readonly left: readonly string[];
}
interface Port {
  readonly name: string;
  readonly outputV: number;
  readonly limitA: number | null;
  readonly limitW: number | null;
}

/** What a line of its plate is about, the first that fits. */
const LINES = {
  solar: /\b(?:pv|solar)\b/i,
  car: /\b(?:car|vehicle|cigar\w*|12 ?v)\b.*\b(?:in|input|charg\w*)\b/i,
  mains: /\b(?:ac|mains|grid)\b.*\b(?:in|input|charg\w*)\b/i,
  usb: /\busb(?:[\s-]?([ac]))?\b/i,
  inverter: /\b(?:ac|inverter|mains)\b.*\b(?:out|output|outlet|power)|\binverter\b|\bac\b/i,
  direct: /\b(?:dc|car|12 ?v|cigar\w*|barrel)\b/i,
} as const;
/** V of a car's socket, and of USB ports: plain ones, and what fast ones rise to. */
const CAR_V = 12;
const USB_V = { a: 5, c: 20 } as const;
/** Devices that an option holds at most. */
const MOST_DEVICES = 12;

export function readStation(text: string): Station {
  let found: Station = {
    capacityWh: null,
    unitV: null,
    inverterW: null,
    surgeW: null,
    solar: null,
    carW: null,
    mainsW: null,
    ports: [],
    left: [],
  };
  for (const line of text.split(/[\n¦;]+/).map((one) => one.trim())) {
    const taken = line === '' ? {} : lineOf(line, found);
    found = taken ? { ...found, ...taken } : { ...found, left: [...found.left, line] };
  }
  return found;
}

function lineOf(line: string, found: Station): Partial<Station> | null {
  const figures = figuresOf(line);
  const most = (of: Measure): number | null => {
    const values = figures.filter((one) => one.of === of).map(({ value }) => value);
    return values.length > 0 ? Math.max(...values) : null;
  };
  const [watts, volts, amps, wh, ah] = [
    most('power'),
    most('voltage'),
    most('current'),
    most('energy'),
    most('charge'),
  ];
  if (wh !== null || ah !== null) return { capacityWh: wh ?? (ah ?? 0) * (volts ?? 0), unitV: volts };
  if (figures.length === 0) return /\d/.test(line) ? null : {};
  if (LINES.solar.test(line)) {
    const low = /(\d[\d.,]*)\s*v?\s*[-–]\s*\d/i.exec(line)?.[1];
    return { solar: { maxW: watts, maxV: volts, minV: low ? Number(low.replace(',', '.')) : null, maxInputA: amps } };
  }
  const byAmps = amps === null ? null : amps * (volts ?? CAR_V);
  if (LINES.mains.test(line)) return { mainsW: watts ?? byAmps };
  if (LINES.car.test(line)) return { carW: watts ?? byAmps };
  if (LINES.usb.test(line))
    return {
      ports: [
        ...found.ports,
        ...portsOf(line, 'USB', USB_V[/usb[\s-]?c/i.test(line) ? 'c' : 'a'], null, watts ?? byAmps),
      ],
    };
  if (LINES.inverter.test(line) && watts !== null)
    return /surge|peak/i.test(line) && found.inverterW !== null ? { surgeW: watts } : { inverterW: watts };
  if (/surge|peak/i.test(line) && watts !== null) return { surgeW: watts };
  if (LINES.direct.test(line))
    return { ports: [...found.ports, ...portsOf(line, `${volts ?? CAR_V} V`, volts ?? CAR_V, amps, watts)] };
  return volts !== null && watts === null && found.unitV === null ? { unitV: volts } : null;
}

/** "USB-C 100W x2": each of them. */
function portsOf(line: string, kind: string, outputV: number, limitA: number | null, limitW: number | null): Port[] {
  if (limitA === null && limitW === null) return [];
  const count = Number(/[x×]\s*(\d)\b|\b(\d)\s*[x×]/i.exec(line)?.slice(1).find(Boolean) ?? 1);
  const letter = kind === 'USB' ? (/usb[\s-]?([ac])/i.exec(line)?.[1]?.toUpperCase() ?? '') : '';
  const name = letter ? `USB-${letter}` : kind;
  return Array.from({ length: Math.min(8, count) }, (_, i) => ({
    name: count > 1 ? `${name} ${i + 1}` : name,
    outputV,
    limitA,
    limitW,
  }));
}

/** The nominal bus of a battery of so many volts. */
const busOf = (volts: number, was: System['busVoltageV']): System['busVoltageV'] =>
  BUS_VOLTAGES.find((one) => volts >= one * 0.85 && volts <= one * 1.2) ?? was;

/** An option with all that a station's plate says; what it does not say stays as it was. */
export function withStation(system: System, station: Station): System {
  const { capacityWh, unitV, inverterW, surgeW, solar, carW, mainsW } = station;
  const busVoltageV = unitV === null ? system.busVoltageV : busOf(unitV, system.busVoltageV);
  const volts = unitV ?? busVoltageV;
  const whole = (amps: number) => Number(amps.toPrecision(4));
  const strings =
    capacityWh === null
      ? system.store.strings
      : [{ ...blankString('string-1', 'Station', whole(capacityWh / volts)), unitV: unitV }];
  const array = blankArray('array-1', 'Panels of the station', solar?.maxW ?? 0);
  return {
    ...system,
    busVoltageV,
    store: { ...system.store, strings },
    devices: devicesOf(system.devices, station, inverterW, surgeW),
    arrays: solar ? [{ ...array, controller: { ...array.controller, ...solar } }] : system.arrays,
    driving: carW === null ? system.driving : [blankLink('link-1', 'Car input', whole(carW / volts))],
    chargers: mainsW === null ? system.chargers : [blankCharger('charger-1', 'Mains input', whole(mainsW / volts))],
    allInOnes: [],
    runs: null,
  };
}

function devicesOf(
  devices: readonly Device[],
  { ports }: Station,
  ratingW: number | null,
  surgeW: number | null,
): Device[] {
  const own = devices.find(({ kind }) => kind === 'inverter') ?? blankDevice('inverter', 'inverter');
  const inverter = own.kind === 'inverter' && ratingW !== null ? { ...own, ratingW, surgeW } : own;
  const made = ports
    .slice(0, MOST_DEVICES - 1)
    .map(({ name, ...port }, i) => ({ ...blankDevice('port', `port-${i + 1}`), name, ...port }) as Device);
  return [inverter, ...made];
}
