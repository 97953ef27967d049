/** Nothing more is to be said than the code does. */
type Nothing = Readonly<Record<never, never>>;

/** What each kind of finding tells of, by its code: figures in the unit that their names say, and names. */
export interface FindingValues {
  readonly 'no-loads': Nothing;
  readonly 'double-conversion': { readonly name: string; readonly lostWh: number; readonly share: number };
  readonly 'idle-dominates': { readonly idleWh: number; readonly share: number; readonly policy: string };
  readonly 'inverter-too-small': {
    readonly name: string;
    readonly ratingW: number;
    readonly requiredW: number;
    readonly worstW: number;
    readonly unit: string;
    readonly marginTaken: number;
  };
  readonly 'inverter-oversized': { readonly ratingW: number; readonly enoughW: number; readonly idleWh: number };
  readonly 'inverter-parallel': { readonly units: number; readonly requiredW: number };
  readonly 'moment-unproved': { readonly momentW: number };
  readonly 'inverter-start': {
    readonly device: string;
    readonly name: string;
    readonly kind: string;
    readonly askedW: number;
    readonly limitW: number;
    readonly seconds: number;
    readonly holdSeconds: number;
    readonly alsoOver: number;
  };
  readonly 'inverter-heat': {
    readonly device: string;
    readonly askedW: number;
    readonly limitW: number;
    readonly ambientC: number;
  };
  readonly 'surge-unknown': { readonly device: string; readonly startW: number; readonly seconds: number };
  readonly 'together-contradiction': { readonly names: string };
  readonly 'supply-overload': {
    readonly supply: string;
    readonly unit: string;
    readonly worst: number;
    readonly limit: number;
    readonly names: string;
  };
  readonly 'supply-charger': {
    readonly supply: string;
    readonly unit: string;
    readonly full: number;
    readonly limit: number;
    readonly leftW: number;
  };
  readonly 'supply-start': {
    readonly supply: string;
    readonly unit: string;
    readonly peak: number;
    readonly limit: number;
    readonly name: string;
  };
  readonly 'assist-short': { readonly supply: string; readonly missingW: number; readonly device: string };
  readonly 'nothing-passes': { readonly device: string };
  readonly 'low-voltage-high-current': {
    readonly busV: number;
    readonly worstW: number;
    readonly amps: number;
    readonly guideW: number;
  };
  readonly 'store-current': {
    readonly amps: number;
    readonly limitA: number;
    readonly limitC: number;
    readonly neededAh: number;
    readonly kind: string;
    readonly shortS: number;
    readonly sagV: number;
    readonly leavesV: number;
  };
  readonly 'store-short': { readonly capacityWh: number; readonly requiredWh: number; readonly days: number };
  readonly 'store-cold': { readonly coldestC: number; readonly heaterW: number; readonly holdW: number };
  readonly 'store-heated': {
    readonly coldestC: number;
    readonly holdC: number;
    readonly holdW: number;
    readonly heaterWh: number;
    readonly warmUpH: number;
  };
  readonly 'bank-voltage': {
    readonly name: string;
    readonly series: number;
    readonly unitV: number;
    readonly makesV: number;
    readonly busV: number;
  };
  readonly 'bank-uneven': {
    readonly name: string;
    readonly share: number;
    readonly ofAh: number;
    readonly atA: number;
    readonly insteadA: number;
  };
  readonly 'bank-mixed': {
    readonly strong: string;
    readonly weak: string;
    readonly strongAh: number;
    readonly weakAh: number;
    readonly ah: number;
    readonly firstEmptyAh: number;
  };
  readonly 'unit-doubtful': {
    readonly name: string;
    readonly unitV: number;
    readonly chemistry: string;
    readonly cellV: number;
  };
  readonly 'no-sun': { readonly rises: number };
  readonly 'sun-hours-doubtful': {
    readonly hours: number;
    readonly share: number;
    readonly month: string;
    readonly others: number;
  };
  readonly 'balance-short': { readonly shortWh: number; readonly days: number; readonly nights: number };
  readonly 'runs-short': {
    readonly fromDay: number;
    readonly worstDay: number;
    readonly days: number;
    readonly atMin: number;
    readonly unservedWh: number;
  };
  readonly 'dcdc-limited': { readonly ratingA: number; readonly limitA: number };
  readonly 'run-fuse-volts': {
    readonly name: string;
    readonly kind: string;
    readonly volts: number;
    readonly soldV: number;
  };
  readonly 'fuse-none': {
    readonly amps: number;
    readonly neededA: number;
    readonly largestA: number;
    readonly ways: number;
    readonly eachA: number;
    readonly higherV: number;
    readonly higherA: number;
    readonly higherFuseA: number;
    readonly mostW: number;
    readonly leadKg: number;
    readonly higherKg: number;
    readonly copperPerKg: number;
    readonly currency: string;
  };
  readonly 'dcdc-starved': {
    readonly name: string;
    readonly ratingA: number;
    readonly farV: number;
    readonly minInputV: number;
    readonly areaMm2: number;
    readonly neededMm2: number;
  };
  readonly 'charge-limit': {
    readonly amps: number;
    readonly limitA: number;
    readonly sunA: number;
    readonly byOthersA: number;
    readonly isPlugged: number;
    readonly isGiven: number;
  };
  readonly 'relay-smart': { readonly name: string };
  readonly 'relay-volts': { readonly name: string; readonly systemV: number; readonly busV: number };
  readonly 'driving-drop': {
    readonly name: string;
    readonly dropShare: number;
    readonly farV: number;
    readonly areaMm2: number;
  };
  readonly 'array-volts': {
    readonly name: string;
    readonly coldV: number;
    readonly coldC: number;
    readonly limitV: number;
  };
  readonly 'array-low': {
    readonly name: string;
    readonly hotV: number;
    readonly hotC: number;
    readonly neededV: number;
  };
  readonly 'array-input': { readonly name: string; readonly shortA: number; readonly limitA: number };
  readonly 'box-clips': {
    readonly name: string;
    readonly chargeA: number;
    readonly clippedWh: number;
    readonly share: number;
  };
  readonly 'array-clips': {
    readonly name: string;
    readonly clippedWh: number;
    readonly share: number;
    readonly limitW: number;
  };
  readonly 'roof-overlap': { readonly name: string; readonly others: string };
  readonly 'roof-overhang': { readonly name: string; readonly edgeM: number };
  readonly 'roof-full': { readonly panelsM2: number; readonly roofM2: number };
  readonly 'array-unlike': {
    readonly name: string;
    readonly togetherW: number;
    readonly apartW: number;
    readonly lostShare: number;
  };
  readonly 'array-window-unknown': { readonly name: string; readonly coldV: number };
  readonly 'panel-doubtful': {
    readonly name: string;
    readonly ratingW: number;
    readonly productW: number;
    readonly agrees: number;
  };
  readonly 'pwm-loses': { readonly name: string; readonly lostWh: number; readonly share: number };
  readonly 'charger-none': { readonly supply: string };
  readonly 'run-undersized': {
    readonly name: string;
    readonly amps: number;
    readonly bearsA: number;
    readonly areaMm2: number;
    readonly parallel: number;
  };
  readonly 'run-over-fused': {
    readonly name: string;
    readonly ratingA: number;
    readonly bearsA: number;
    readonly areaMm2: number;
    readonly parallel: number;
  };
  readonly 'run-unfused': {
    readonly name: string;
    readonly bearsA: number;
    readonly shortA: number;
  };
  readonly 'run-no-fuse-fits': {
    readonly name: string;
    readonly neededA: number;
    readonly bearsA: number;
    readonly areaMm2: number;
    readonly parallel: number;
  };
  readonly 'run-fuse-small': {
    readonly name: string;
    readonly ratingA: number;
    readonly neededA: number;
    readonly amps: number;
  };
  readonly 'run-start-opens': {
    readonly name: string;
    readonly ratingA: number;
    readonly kind: string;
    readonly startA: number;
    readonly seconds: number;
    readonly holdsSeconds: number;
  };
  readonly 'run-interrupt': {
    readonly name: string;
    readonly kind: string;
    readonly interruptA: number;
    readonly shortA: number;
  };
  readonly 'run-not-selective': {
    readonly name: string;
    readonly main: string;
    readonly ratingA: number;
    readonly mainA: number;
    readonly ratio: number;
  };
  readonly 'run-drop': {
    readonly name: string;
    readonly share: number;
    readonly limit: number;
    readonly lostV: number;
    readonly areaMm2: number;
    readonly parallel: number;
    /** Of the next thicker that is sold, all beside one another; 0 = none is. */
    readonly thickerMm2: number;
    readonly lengthM: number;
  };
  readonly 'run-collapse': {
    readonly name: string;
    readonly falls: string;
    readonly what: string;
  };
  readonly 'run-start-dip': {
    readonly name: string;
    readonly startV: number;
    readonly storeV: number;
    readonly cutOffV: number;
    readonly seconds: number;
  };
  readonly 'run-start-pulls': {
    readonly name: string;
    readonly other: string;
    readonly volts: number;
    readonly cutOffV: number;
    readonly seconds: number;
  };
  readonly 'run-output-low': {
    readonly name: string;
    readonly run: string;
    readonly device: string;
    readonly volts: number;
    readonly outputV: number;
    readonly leastV: number;
  };
  readonly 'load-drops-out': {
    readonly name: string;
    readonly cutOffV: number;
    readonly soc: number;
    readonly lowSoc: number;
    readonly highSoc: number;
    readonly strandedAh: number;
    readonly reserve: number;
  };
  readonly 'socket-overload': {
    readonly name: string;
    readonly amps: number;
    readonly socketA: number;
    readonly shared: number;
    readonly names: string;
  };
  readonly 'run-solid': {
    readonly name: string;
  };
  readonly 'run-aluminium': {
    readonly name: string;
  };
  readonly 'run-unkeyed': {
    readonly name: string;
  };
  readonly 'without-run': {
    readonly names: string;
    readonly count: number;
  };
  readonly 'payload-exceeded': { readonly overKg: number; readonly kitKg: number };
  readonly 'measure-first': {
    readonly name: string;
    readonly evidence: string;
    readonly lowWh: number;
    readonly highWh: number;
  };
  readonly 'critical-single-source': { readonly name: string; readonly sources: number };
  readonly 'cannot-hold': { readonly name: string; readonly hours: number; readonly what: string };
  readonly 'mains-licensed': { readonly volts: number };
  readonly 'hookup-inlet': { readonly supply: string };
  readonly 'generator-fumes': { readonly supply: string };
  readonly 'inverter-loop': { readonly name: string };
  readonly 'port-overload': {
    readonly name: string;
    readonly loads: number;
    readonly port: string;
    readonly peak: number;
    readonly limit: number;
    readonly unit: string;
    readonly meanW: number;
  };
  readonly 'no-port': { readonly name: string };
  readonly 'stepped-wave': { readonly name: string; readonly device: string; readonly sensitive: number };
  readonly 'converter-undersized': {
    readonly device: string;
    readonly ratingW: number;
    readonly worstW: number;
    readonly loads: number;
  };
  readonly 'converter-start': {
    readonly device: string;
    readonly name: string;
    readonly askedW: number;
    readonly holdsW: number;
  };
  readonly 'volts-unknown': { readonly name: string; readonly loads: number; readonly reachesV: number };
  readonly 'cut-mid-run': { readonly name: string; readonly port: string; readonly needsWh: number };
  readonly 'voltage-range': {
    readonly name: string;
    readonly reachesV: number;
    readonly limitV: number;
    readonly high: number;
  };
  readonly 'search-asleep': {
    readonly name: string;
    readonly device: string;
    readonly runningW: number;
    readonly wakeW: number;
  };
  readonly 'off-hours': { readonly name: string; readonly device: string; readonly hours: number };
}
