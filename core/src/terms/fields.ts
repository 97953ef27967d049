/**
 * Each field of a job, of a part and of a log: what it is called, its symbol and unit, its range and the help that
 * stands beside it. Labels are the trade's own terms, as nameplates and data sheets write them.
 */
interface FieldTerm {
  readonly label: string;
  /** The abbreviation of a nameplate, where it is not the label itself. */
  readonly symbol?: string;
  /** As it is shown where units are metric; '' = a plain number. */
  readonly unit: string;
  /** In the stored unit. */
  readonly min: number;
  readonly max: number;
  /** What one of the shown unit is in the stored one. */
  readonly factor: number;
  readonly help?: string;
  /** Counts of things. */
  readonly isWhole?: boolean;
}

interface More {
  readonly symbol?: string;
  readonly factor?: number;
  readonly help?: string;
  readonly isWhole?: boolean;
}
const field = (label: string, unit: string, min: number, max: number, more: More = {}): FieldTerm => ({
  label,
  unit,
  min,
  max,
  factor: 1,
  ...more,
});
const share = (label: string, min: number, max: number, more: More = {}): FieldTerm =>
  field(label, '%', min, max, { factor: 0.01, ...more });
const idleW = field('No-load power', 'W', 0, 500, {
  help: 'from the battery with nothing connected, around the clock',
});

const FIELDS = {
  'brief.nightsOffGrid': field('Nights off grid', 'nights', 1, 365, { isWhole: true, help: 'without shore power' }),
  'brief.sunlessDays': field('Autonomy', 'days', 0, 30, { help: 'days without any charging' }),
  'brief.driveH': field('Driving per day', 'h', 0, 24),
  'brief.payloadKg': field('Payload available', 'kg', 0, 50_000, { help: 'before this equipment' }),
  'prices.storePerKwh': field('Battery, per kWh', '', 0, 100_000, { help: 'your price' }),
  'prices.arrayPerW': field('Solar, per W', '', 0, 1000, { help: 'your price' }),
  'prices.energyPerKwh': field('Shore or generator energy, per kWh', '', 0, 1000, { help: 'your price' }),
  'prices.copperPerKg': field('Cable price', '', 0, 10_000, { help: 'per weight of copper' }),
  'prices.change': field('Cost of the change', '', 0, 1_000_000),
  'rules.arrayFactor': field('Fixed derating factor', '', 0.3, 1, {
    symbol: 'PR',
    help: 'replaces temperature, soiling and wiring; empty: calculated',
  }),

  'place.latitudeDeg': field('Latitude', '°', -90, 90, { help: '33.9 S is −33.9' }),
  'place.longitudeDeg': field('Longitude', '°', -180, 180, { help: 'east positive, 151.2 E; 99.1 W is −99.1' }),
  'place.utcOffsetH': field('UTC offset', 'h', -12, 14),
  'place.heightM': field('Altitude', 'm', -430, 6000, { help: 'generators are derated with altitude' }),
  'place.peakSunHours': field('Peak sun hours', 'kWh/m²/day', 0, 12, {
    symbol: 'PSH',
    help: 'on a flat panel; empty: from latitude and sky',
  }),
  'place.clearness': field('Clearness index', '', 0, 0.86, {
    symbol: 'Kt',
    help: 'share of extraterrestrial radiation',
  }),
  'place.dayTempC': field('Daytime high', '°C', -40, 60, { help: 'typical for the months of use' }),
  'place.nightTempC': field('Overnight low', '°C', -50, 50, { help: 'typical for the months of use' }),
  'place.lowestC': field('Record low', '°C', -90, 50, { help: 'sets the highest Voc of the panels' }),

  'load.powerW': field('Power, each', 'W', 0, 20_000, { help: 'input power on the nameplate' }),
  'load.quantity': field('Quantity', '', 1, 99, { isWhole: true }),
  'load.daysPerWeek': field('Days per week', 'days', 0.1, 7),
  'load.residueW': field('Residual DC power', 'W', 0, 2000, { help: 'fan, pump or ignition on gas or diesel' }),
  'load.startRatio': field('Starting factor', '×', 1, 12, { help: 'LRA ÷ RLA for motors' }),
  'load.startSeconds': field('Starting time', 's', 0.01, 600),
  'load.powerFactor': field('Power factor', '', 0.1, 1, { symbol: 'PF', help: 'cos φ, W ÷ VA' }),
  'load.minV': field('Min. voltage', 'V', 1, 500, { help: 'of the input range; its cut-off in Wiring' }),
  'load.maxV': field('Max. voltage', 'V', 1, 500, { help: 'of the input range' }),
  'load.adapterEfficiency': share('Adapter efficiency', 0.3, 1, { symbol: 'η' }),
  'load.converterEfficiency': share('Converter efficiency', 0.3, 1, { symbol: 'η' }),
  'draw.duty': share('Duty cycle', 0, 1, { help: 'share of the time it runs' }),
  'draw.dutyAtC': field('Duty cycle measured at', '°C', -20, 60, { help: 'air around it; 25 °C on most data sheets' }),
  'draw.fridgeSetC': field('Set temperature', '°C', -40, 20),
  'draw.litres': field('Hot water per day', 'L', 0, 1000),
  'draw.riseK': field('Temperature rise', 'K', 0, 95, { symbol: 'ΔT' }),
  'draw.efficiency': share('Heating efficiency', 0.2, 1, { symbol: 'η' }),
  'draw.standingW': field('Standing loss', 'W', 0, 500, { help: 'of the tank, around the clock' }),
  'draw.roomSetC': field('Set temperature', '°C', -5, 40),
  'draw.capacityW': field('Cooling or heating capacity', 'W', 50, 30_000, {
    help: 'output, not input; 3.41 BTU/h is 1 W',
  }),
  'draw.cop': field('COP', '', 0.5, 8, { help: 'EER ÷ 3.41; 1 for an electric heater' }),
  'draw.volumeM3': field('Room volume', 'm³', 0.5, 200, { help: 'the heated or cooled space' }),
  'draw.glazingM2': field('Sunlit glazing', 'm²', 0, 30),
  'draw.internalW': field('Internal heat gains', 'W', 0, 5000, { help: 'people and appliances' }),
  'phase.powerW': field('Power', 'W', 0, 20_000),
  'phase.minutes': field('Duration', 'min', 0.01, 1440),

  'device.idleW': field('No-load power', 'W', 0, 500, { help: 'also: idle or zero-load power, self-consumption' }),
  'device.peakEfficiency': share('Peak efficiency', 0.3, 0.999, { symbol: 'η max' }),
  'device.cutOffV': field('Low-voltage cut-off', 'V DC', 3, 60, { help: 'at its own terminals' }),
  'device.leftOnH': field('Left on unused', 'h/day', 0, 24),
  'device.searchIdleW': field('Search (eco) mode power', 'W', 0, 200),
  'device.searchWakeW': field('Wake-up threshold', 'W', 0, 500),
  'inverter.ratingW': field('Continuous power', 'W', 50, 40_000, { help: 'as fitted' }),
  'inverter.ratingVa': field('Apparent power', 'VA', 50, 60_000, { help: 'continuous' }),
  'inverter.surgeW': field('Surge power', 'W', 50, 120_000, { help: 'peak or max. power on the data sheet' }),
  'inverter.surgeSeconds': field('Surge duration', 's', 0.005, 600),
  'inverter.ambientC': field('Max. ambient temperature', '°C', -20, 80, { help: 'derates the inverter' }),
  'converter.ratingW': field('Output power', 'W', 1, 10_000, { help: 'continuous' }),
  'port.outputV': field('Output voltage', 'V', 5, 240),
  'port.limitA': field('Output limit', 'A', 0.1, 100, { help: 'at which the port switches off' }),
  'port.limitW': field('Output limit, power', 'W', 1, 10_000, { help: 'at which the port switches off' }),

  'charger.ratingA': field('Charge current', 'A DC', 0, 1000, { help: '0 = none' }),
  'charger.leastA': field('Min. charge current', 'A DC', 0, 1000, { help: 'the lowest setting' }),
  'charger.efficiency': share('Efficiency', 0.5, 1, { symbol: 'η' }),
  'charger.powerFactor': field('Power factor', '', 0.4, 1, { symbol: 'PF' }),
  'charger.idleW': idleW,
  'supply.amps': field('Breaker rating', 'A', 1, 200, { help: 'pedestal or circuit breaker' }),
  'supply.volts': field('Voltage per leg', 'V', 90, 260, { help: 'L–N' }),
  'generator.ratedW': field('Rated power', 'W', 100, 100_000, { help: 'continuous (running) output' }),
  'generator.startW': field('Max. power', 'W', 100, 200_000, { help: 'surge (starting) output' }),
  'generator.ratedVa': field('Apparent power', 'VA', 100, 150_000),
  'generator.altitudeM': field('Altitude', 'm', -400, 5500, { help: 'where it runs; derates the engine' }),
  'generator.idleLPerH': field('Fuel use, no load', 'L/h', 0, 20),
  'generator.fuelLPerKwh': field('Fuel use per kWh', 'L', 0.1, 3),
  'outlet.ratedW': field('Rated power', 'W', 50, 30_000, { help: 'at which it switches off' }),
  'outlet.startW': field('Max. power', 'W', 50, 60_000, { help: 'surge (starting) output' }),
  'outlet.packKwh': field('Vehicle battery', 'kWh', 0.1, 1000, { help: 'traction battery' }),
  'outlet.fullShare': share('Starting SoC', 0.01, 1),
  'outlet.reserveShare': share('Reserve SoC', 0, 0.99, { help: 'at which the outlet switches off' }),
  'outlet.offAfterH': field('Auto-off after', 'h', 0.1, 240),
  'outlet.ownW': field('Self-consumption', 'W', 0, 5000),

  'string.capacityAh': field('Capacity, each', 'Ah', 0.5, 20_000, { help: 'rated (C20 for lead)' }),
  'string.unitV': field('Nominal voltage, each', 'V', 2, 60, { help: '12.8 V LFP, 12 V lead' }),
  'string.series': field('In series', '', 1, 24, { isWhole: true, symbol: 'S' }),
  'string.parallel': field('In parallel', '', 1, 24, { isWhole: true, symbol: 'P' }),
  'string.health': share('State of health', 0.05, 1.2, { symbol: 'SoH', help: 'measured capacity ÷ rated' }),
  'string.chargeA': field('Max. charge current, each', 'A', 0.1, 2000, { help: 'continuous; BMS limit or data sheet' }),
  'string.dischargeA': field('Max. discharge current, each', 'A', 0.1, 5000, {
    help: 'continuous; BMS limit or data sheet',
  }),
  'string.shortA': field('Peak discharge current, each', 'A', 0.1, 20_000),
  'string.shortS': field('Peak duration', 's', 0.1, 3600),
  'string.resistanceMohm': field('Internal resistance', 'mΩ', 0.01, 1000),
  'string.kg': field('Weight, each', 'kg', 0.1, 2000),
  'string.price': field('Price, each', '', 0, 1_000_000),
  'store.usableDepth': share('Depth of discharge', 0.1, 1, { symbol: 'DoD', help: '80 % LFP, 50 % lead typical' }),
  'store.coldestC': field('Min. battery temperature', '°C', -40, 50, { help: 'in use' }),
  'store.roundTripEfficiency': share('Round-trip efficiency', 0.5, 1, { symbol: 'η', help: 'energy out ÷ energy in' }),
  'store.chargeV': field('Average charging voltage', 'V', 6, 70),
  'store.selfDischarge': field('Self-discharge', '%/month', 0, 0.5, { factor: 0.01 }),
  'store.heaterW': field('Battery heater', 'W', 1, 1000, { help: 'in use' }),
  'store.inputW': field('Max. input power', 'W', 5, 50_000, { help: 'portable power stations' }),
  'store.leadM': field('Battery cable length', 'm', 0.1, 30, { help: 'one way' }),
  'store.cutOff': field('Cut-off at', '% SoC', 0, 0.95, { factor: 0.01, help: 'loads are disconnected' }),
  'store.reconnect': field('Reconnect above cut-off', 'pp', 0.01, 0.9, { factor: 0.01, help: 'percentage points' }),
  'store.keepForCritical': field('Reserve for critical loads', 'pp', 0, 0.8, {
    factor: 0.01,
    help: 'percentage points above cut-off',
  }),

  'array.ratingW': field('Array power (STC)', 'Wp', 0, 20_000),
  'array.slopeDeg': field('Tilt', '°', 0, 90, { help: '0° = flat' }),
  'array.azimuthDeg': field('Azimuth', '°', 0, 360, { help: 'from true north, clockwise' }),
  'array.shade': share('Shading loss', 0, 0.95, { help: 'all day' }),
  'array.clean': share('Soiling factor', 0.5, 1),
  'panel.ratingW': field('Pmax', 'W', 1, 2000, { help: 'rated power at STC, one panel' }),
  'panel.vmpV': field('Vmp', 'V', 0.5, 500, { help: 'voltage at max. power' }),
  'panel.impA': field('Imp', 'A', 0.05, 100, { help: 'current at max. power' }),
  'panel.vocV': field('Voc', 'V', 0.5, 600, { help: 'open-circuit voltage' }),
  'panel.iscA': field('Isc', 'A', 0.05, 120, { help: 'short-circuit current' }),
  'panel.powerPerK': field('Temp. coefficient of Pmax', '%/°C', -0.01, 0, {
    symbol: 'γ',
    factor: 0.01,
    help: '−0.30 to −0.45',
  }),
  'panel.vocPerK': field('Temp. coefficient of Voc', '%/°C', -0.01, 0, { symbol: 'β', factor: 0.01 }),
  'panel.iscPerK': field('Temp. coefficient of Isc', '%/°C', -0.001, 0.005, { symbol: 'α', factor: 0.01 }),
  'panel.noctC': field('NOCT', '°C', 20, 80, { help: 'or NMOT' }),
  'panel.lengthM': field('Length', 'm', 0.1, 4, { help: 'the longer side' }),
  'panel.areaM2': field('Area', 'm²', 0.01, 10),
  'panel.kg': field('Weight, each', 'kg', 0.05, 100),
  'panel.price': field('Price, each', '', 0, 100_000),
  'panel.series': field('In series', '', 1, 24, { isWhole: true, symbol: 'S' }),
  'panel.parallel': field('In parallel', '', 1, 24, { isWhole: true, symbol: 'P' }),
  'controller.maxV': field('Max. PV voltage', 'V', 5, 1500, { help: 'against Voc on the coldest night' }),
  'controller.maxA': field('Rated charge current', 'A', 1, 1000, { help: 'battery side' }),
  'controller.maxW': field('Max. PV power', 'W', 5, 50_000, { help: 'at this system voltage' }),
  'controller.maxInputA': field('Max. PV short-circuit current', 'A', 0.5, 500, { help: 'against Isc of the array' }),
  'controller.minV': field('Min. PV voltage', 'V', 1, 1000, { help: 'to start charging' }),
  'controller.efficiency': share('Efficiency', 0.5, 1, { symbol: 'η' }),
  'controller.idleW': idleW,
  'alternator.ratingA': field('Alternator rating', 'A', 0, 1000, { help: 'rated output on the nameplate' }),
  'alternator.ownLoadA': field('Vehicle loads', 'A', 0, 500, { help: 'while driving' }),
  'alternator.volts': field('Alternator voltage', 'V', 11, 32, { help: 'while driving' }),
  'alternator.hotFactor': share('Hot output', 0.2, 1, { help: 'share of the rating, hot' }),
  'link.chargerA': field('Output current', 'A', 0, 500),
  'link.relayA': field('Rated current', 'A', 0, 500),
  'link.cableM': field('Input cable length', 'm', 0.1, 50, { help: 'one way' }),
  'link.cableMm2': field('Input cable size', 'mm²', 0.5, 300),
  'link.efficiency': share('Efficiency', 0.5, 1, { symbol: 'η' }),
  'link.minInputV': field('Min. input voltage', 'V', 6, 60),
  'link.idleW': idleW,
  'unit.chargeA': field('Max. charge current, solar + AC', 'A', 1, 2000, { help: 'all-in-one units' }),
  'roof.lengthM': field('Roof length', 'm', 0.5, 20, { help: 'front to rear' }),
  'roof.widthM': field('Roof width', 'm', 0.5, 5, { help: 'side to side' }),
  'obstacle.lengthM': field('Length', 'm', 0.02, 20, { help: 'along the roof' }),
  'obstacle.widthM': field('Width', 'm', 0.02, 5, { help: 'across the roof' }),

  'stretch.days': field('Days', 'days', 1, 366, { isWhole: true }),
  'stretch.driveH': field('Driving per day', 'h', 0, 24),
  'stretch.hours': field('Hours per day', 'h', 0, 24),

  'run.parallel': field('Conductors per pole', '', 1, 6, { isWhole: true, help: 'in parallel' }),
  'run.insulationC': field('Insulation rating', '°C', 60, 250, { help: '60, 75, 90, 105 °C' }),
  'run.ambientC': field('Max. ambient temperature', '°C', -40, 100),
  'run.bundled': field('Bundled conductors', '', 1, 24, {
    isWhole: true,
    help: 'current-carrying, its own two included',
  }),
  'run.joints': field('Terminations', '', 0, 60, { isWhole: true, help: 'crimps, studs, connectors' }),
  'run.jointMohm': field('Resistance per termination', 'mΩ', 0, 100),
  'run.chassisMohm': field('Chassis return resistance', 'mΩ', 0, 500),
  'run.ratingA': field('Fuse or breaker rating', 'A', 0.5, 1000),
  'run.interruptA': field('Interrupting rating', 'A', 50, 200_000),
  'run.fuseAtM': field('Distance from source', 'm', 0, 50),
  'run.socketA': field('Outlet rating', 'A', 0.5, 400, { help: 'plug-in outlet at the end of the run' }),
  'cables.coldC': field('Conductor temperature, light load', '°C', -40, 60),
  'cables.hotC': field('Conductor temperature, full load', '°C', 20, 120),
  'cables.leastBranchMm2': field('Min. size of a branch', 'mm²', 0.2, 50),
  'cables.leastFeederMm2': field('Min. size of a feeder', 'mm²', 0.2, 100, { help: 'to a fuse block' }),

  'log.ah': field('Capacity', 'Ah', 0.1, 100_000),
  'log.reserve': field('Reserve', '%', 0, 95),
  'log.targetH': field('Target runtime', 'h', 0.1, 10_000),
  'log.maxW': field('Max. load', 'W', 0.1, 100_000),
  'log.timerH': field('Auto-off after', 'h', 0.1, 1000),
  'log.ambientC': field('Ambient during test', '°C', -40, 60),
  'log.useC': field('Ambient in use', '°C', -40, 60),
  'part.kg': field('Weight', 'kg', 0.05, 2000),
  'part.price': field('Price', '', 0, 1_000_000),
} as const satisfies Readonly<Record<string, FieldTerm>>;

export type FieldKey = keyof typeof FIELDS;

/** The range of a field in the stored unit, as the schema of a job file takes it. */
export const rangeOf = (key: FieldKey): readonly [min: number, max: number] => [FIELDS[key].min, FIELDS[key].max];
