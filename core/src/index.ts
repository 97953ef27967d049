/**
 * The computation's front door, by the question asked. Validation (`@joulemetric/core/validate`) and the
 * schema itself stand apart, so that a browser that never validates does not carry a validator.
 */

// What does this job come to?
export { assess, type Evaluation, evaluate } from './assess/assess.ts';
export type { Assessment, JobSummary } from './assess/assessment.ts';
export type { Bank, BankString } from './battery/bank.ts';
export type { Books } from './battery/books.ts';
// What fills it, on a day of this trip?
export { type ArrayLedger, CAUSES, type Cause, type UnlikeDetail } from './choices/arrayLedger.ts';
// When does it run out, and how sure is that?
export {
  type DaysAsk,
  type Mark,
  type PreparedDays,
  prepareDays,
  SATURDAY,
  survivals,
  type TripDetail,
  tripDetail,
  type YearDetail,
  yearDetail,
  yearsOdds,
  yearsSample,
} from './choices/daysDetail.ts';
export { type Decision, daysMoment, type MomentExplained } from './choices/daysMoment.ts';
export {
  type Diagram,
  type DiagramEdge,
  type DiagramNode,
  diagramOf,
  MAINS_CAUTION,
  type SymbolKind,
} from './choices/diagram.ts';
export type { Habit, Habits, Rare } from './choices/habits.ts';
export type { SizeChoice } from './choices/inverterChoice.ts';
export type { DayCell, KindOfDay } from './choices/kindsOfDay.ts';
export type { MetBy } from './choices/metBy.ts';
// What comes together, and what carries it?
export {
  type FormChoice,
  type InverterDetail,
  type MomentDetail,
  momentDetail,
  type RankedSet,
  type SupplyDetail,
} from './choices/momentDetail.ts';
export { type BoxChoice, type BoxColumn, boxChoice } from './choices/oneBox.ts';
export {
  type CopperAt,
  copperChoice,
  type RunLine,
  type RunsDetail,
  runsDetail,
  runsDetailOf,
  type ThickerLine,
  thickerRuns,
  usualOfRuns,
} from './choices/runsDetail.ts';
export {
  type DayBalance,
  dayBalance,
  type LinkDetail,
  type SourcesDetail,
  sourcesDetail,
} from './choices/sourcesDetail.ts';
// What holds it, and for how long?
export {
  type DepthSchool,
  type Filling,
  type ListedBank,
  type MainRun,
  type StoreDetail,
  storeDetail,
  type VoltageChoice,
} from './choices/storeDetail.ts';
export type { SupplyUse } from './choices/supplyUse.ts';
export type { Survival, TripWeather, TypicalDay } from './days/answers.ts';
export {
  joinSamples,
  type LoadOdds,
  type MonthOdds,
  type Odds,
  type Share,
  type YearsOdds,
  type YearsSample,
} from './days/odds.ts';
export { planOf } from './days/plan.ts';
export type { DaysRun, Trace } from './days/run.ts';
export type { StaySimulation } from './days/stay.ts';
export { type WhatIf, whatIfsOf } from './days/whatIf.ts';
export { arrayFigure } from './explain/arrays.ts';
export type { FigureId, Figures } from './explain/figures.ts';
export { inverterFigures } from './explain/inverterIds.ts';
export { type RunKey, runFigure } from './explain/runs.ts';
export { supplyFigure } from './explain/supply.ts';
// What should be checked?
export type { Finding, Severity } from './findings/finding.ts';
export { namesOf } from './findings/names.ts';
export { type Words, wordsFor } from './findings/words.ts';
export type { FirmAppliance } from './job/applianceSchema.ts';
// What is a job?
export {
  blankArray,
  blankCharger,
  blankController,
  blankDevice,
  blankJob,
  blankLink,
  blankPanels,
  blankString,
  blankSupply,
  UNIT_UNSAID,
} from './job/blank.ts';
export { driveHours, editedKind, isUsual, loadOn, usesOn, variantOn, withDriveHours } from './job/day.ts';
export { asKind, cycleLength, runningPowerW, withRunningPower } from './job/draw.ts';
export { asFed, fedBy, type Way, withoutFeeds, withoutLostDevices } from './job/feeds.ts';
export { formFault } from './job/formFault.ts';
export { freeId } from './job/ids.ts';
export {
  entryOf,
  type MeasuredUnit,
  measuredValue,
  type Spread,
  spreadOf,
  withoutUnit,
  withUnit,
} from './job/measuredUnits.ts';
export { type Clash, isSame, mergeJobs, mergeParts } from './job/merge.ts';
export { migrate } from './job/migrate.ts';
// What can be bought?
export {
  fieldsOfKind,
  PART_FIELDS,
  PART_KINDS,
  type Part,
  type PartField,
  type PartKind,
  type PartOf,
  wholePart,
} from './job/partFields.ts';
export { runFaults } from './job/runFaults.ts';
export type {
  AllInOne,
  BatteryString,
  Charger,
  Day,
  DayKind,
  DesignOption,
  Device,
  Draw,
  DrivingLink,
  Evidence,
  Inverter,
  Job,
  Load,
  PanelGroup,
  PathKind,
  PlacedPanel,
  PlanStretch,
  Roof,
  Run,
  SolarArray,
  SolarController,
  Supply,
  System,
  Together,
  Use,
} from './job/schema.ts';
export { formatShading, formatStretches, readShading, readStretches } from './job/stretches.ts';
export {
  CONDUCTOR_KINDS,
  DAY_KINDS,
  FORMS,
  MAINS_V,
  MOST_LOADS,
  PROTECTIONS,
  RUN_ENDS,
  SCHEMA_VERSION,
} from './job/values.ts';
export { withoutLost } from './job/withoutLost.ts';
export {
  CSV_COLUMNS,
  type CsvFault,
  type CsvLoads,
  type CsvRow,
  FORMER_COLUMNS,
  loadsFromRows,
  loadToRow,
  MOST_ROWS,
} from './loads/csv.ts';
export type { EvidenceSummary } from './loads/evidence.ts';
// How does a load run?
export { isDay, MEASURED_COLUMNS, type MeasuredRead, measuredFromRows, measuredToRows } from './loads/measuredCsv.ts';
// What may have been forgotten?
export { type Missing, missingUsuals } from './loads/missing.ts';
export { withPhases } from './loads/phases.ts';
export { formatUse } from './loads/use.ts';
export { addUse, moveUse, resizeUse } from './loads/uses.ts';
// What does it really do?
export { type Calibration, calibrations } from './logbook/calibrate.ts';
export { type CheckItem, checklist } from './logbook/checklist.ts';
export { type Recognised, recognise, type SaidColumns, tableFault } from './logbook/columns.ts';
export { headOfTable } from './logbook/head.ts';
export type { Log, LogCheck, LogReading, Purpose } from './logbook/logSchema.ts';
export { LOG_VERSION, MARKS, PURPOSES } from './logbook/logValues.ts';
export { measureFirst, type ToMeasure } from './logbook/measureFirst.ts';
export { mergeSeries } from './logbook/merge.ts';
export { readingsOf } from './logbook/open.ts';
export { QUANTITIES, QUANTITY, type Quantity } from './logbook/quantities.ts';
export { type LogReport, reportOf } from './logbook/report.ts';
export {
  FAULT_KINDS,
  INSTRUMENT_KINDS,
  INSTRUMENT_METERS,
  type InstrumentFault,
  type InstrumentKind,
  instrumentReading,
  type SimulatedInstrument,
  type Truth,
} from './logbook/simulated.ts';
export { readSpoken, type SpokenTime } from './logbook/spoken.ts';
export { type Zone, zoneOf } from './logbook/stamp.ts';
export { type RowFault, type Series, type TableRead, TableReader } from './logbook/table.ts';
export { truthOf } from './logbook/truth.ts';
export type { Combinations } from './moment/combinations.ts';
export { Effort } from './moment/effort.ts';
export type { DcSide } from './moment/inverterCable.ts';
export type { SizedInverter } from './moment/sizeInverters.ts';
export { bestStartOrder, type Starter, type StartOrder, worstOrderPeak } from './moment/startOrder.ts';
export { startOf } from './moment/starts.ts';
export { chargerId, chosenOn, isCharger, type SupplyLoad, type SupplyMoment } from './moment/supplyMoment.ts';
export type { Trip } from './moment/trips.ts';
// What could be done better?
export { applyMoves, type Move } from './moves/move.ts';
export {
  type BestSets,
  bestSequence,
  bestSetsInSteps,
  type Prepared,
  prepareMoves,
  type RankedMove,
  type Ranking,
  rankMoves,
  type Sequence,
} from './moves/rank.ts';
export { arrayRatingW } from './panels/panels.ts';
// Where do the panels lie?
export { type LyingPanel, layOut, type RoofPlan, roofPlan } from './panels/roof.ts';
export {
  chargerOf,
  controllerOf,
  groupOf,
  inverterOf,
  linkOf,
  partsOf,
  smallestBank,
  smallestController,
  smallestInverter,
  smallestLink,
  stringOf,
} from './parts/choose.ts';
export { PART_COLUMNS, partsFromRows, partToRow } from './parts/csv.ts';
export { chainOf } from './paths/chain.ts';
export { cecEfficiency, efficiencyAt, europeanEfficiency } from './paths/curve.ts';
export { usualOf } from './paths/feed.ts';
export { type FlowLink, type FlowNode, flowOf } from './paths/flow.ts';
export type { Ledger, LedgerEntry } from './paths/shares.ts';
// How is a number read and shown?
export type { Figure, OriginLabel, WorkingInput } from './quantity/figure.ts';
export { formatClock, formatDuration, formatNumber, IMPERIAL, show, showText, type Units } from './quantity/format.ts';
export { readBearing, readCoordinate } from './reading/degrees.ts';
export type { Kind } from './reading/facts.ts';
export { readField, readInput } from './reading/field.ts';
export { readMeasure } from './reading/measure.ts';
export { readNumber } from './reading/numeral.ts';
export { type Bus, type Proposal, proposeLoad } from './reading/propose.ts';
export type { Question } from './reading/question.ts';
export { readUse } from './reading/readUse.ts';
export { readSheet } from './reading/sheet.ts';
export { readStation, type Station, withStation } from './reading/station.ts';
// What is taken when nothing is known?
export { APPLIANCES, type Appliance, findAppliances, fromFirm, nearMatches } from './reference/appliances.ts';
export { CHEMISTRY, chargingVoltageV } from './reference/chemistries.ts';
export { DROP_LIMIT } from './reference/conductors.ts';
export { DEFAULT } from './reference/defaults.ts';
export { PARTS } from './reference/parts.ts';
export { FUSE_WITHIN_M, PROTECTION } from './reference/protection.ts';
export { MARGIN } from './reference/sizes.ts';
export { SKY } from './reference/skies.ts';
export { loadsOfTemplate, TEMPLATES } from './reference/templates.ts';
export type { Copper } from './runs/busNet.ts';
export { RUN_COLUMNS, type RunCsvFault, type RunCsvRow, runsFromCsv, runToCsv } from './runs/csv.ts';
export type { ApplianceVolts, Charged } from './runs/laid.ts';
export { netlistOf } from './runs/netlist.ts';
export { blankRun } from './runs/propose.ts';
export {
  type CableChoice,
  type CableSize,
  type ReadSize,
  readCableSize,
  readLengthM,
  sizeTyped,
  sizeWords,
} from './runs/typedSize.ts';
export { asCabled, runsOf } from './settle/runs.ts';
export { settle } from './settle/settle.ts';
export { broughtBy, panelsOfList } from './sources/listed.ts';
export type { Check, Window } from './sources/window.ts';
export { designMonth } from './sun/day.ts';
export { monthlyExtraterrestrialKwh } from './sun/geometry.ts';
export { monthName } from './sun/months.ts';
// What does a weather file say?
export { type HourlyYear, hoursBelong } from './weather/hours.ts';
export type { WeatherMonth } from './weather/months.ts';
export { placeOfWeather } from './weather/place.ts';
export { MOST_WEATHER_CHARS, readWeather, type Weather, type WeatherRead } from './weather/read.ts';
export type { WeatherFault } from './weather/series.ts';
