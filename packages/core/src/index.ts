/** The public face of the core: what web, server, model house and evaluation use, floor by floor. */
export { dateOf, dayOf, DAYS_A_YEAR, isoOf, monthOf, utcDayOf, type Day } from './quantity/day.ts';
export { dayIn } from './quantity/day-in.ts';
export { parseMeasure } from './quantity/measure.ts';
export { isOwn, own } from './quantity/own.ts';
export { seasonOf, type Season } from './quantity/season.ts';
export { oneForm, troubleInText } from './quantity/text.ts';
export type { Unit } from './quantity/unit.ts';
export {
  componentsFor,
  hasAmps,
  hasRating,
  isReplaceable,
  POINT_NAMES,
  RATING_FIELDS,
  ratingOf,
  SLOT_NAMES,
  SLOTS,
  type Component,
  type ComponentKind,
  type ComponentPlate,
  type Point,
  type RatingField,
  type Slot,
} from './equipment/component.ts';
export { isFuseAllowed } from './equipment/fuse.ts';
export { SWITCH_ORDER_NAMES } from './equipment/switch-order.ts';
export { contradictionsIn } from './equipment/given-plate.ts';
export {
  MOVED_SETTINGS,
  saySettingChange,
  type SettingChange,
  type SettingField,
  type SettingMoved,
} from './equipment/moved-settings.ts';
export {
  controlFuseOf,
  FUSE_AMPS,
  MOST_WIRES,
  MOST_WIRES_OF_PART,
  heatCircuitsOf,
  heatElementsOf,
  nominalVoltsOf,
  plateSchema,
  systemKindSchema,
  type Plate,
} from './equipment/plate.ts';
export { sayRating, saySection } from './equipment/rating-text.ts';
export { parseCapacitorRating } from './equipment/rating.ts';
export {
  areAllBack,
  lugsOf,
  WIRE_COLORS,
  wiresMoved,
  wiresNoted,
  wiresOn,
  type WireBack,
  type WireNote,
} from './equipment/wires.ts';
export { SENSOR_CURVES } from './equipment/sensor-curves.ts';
export { isHeatPump, SYSTEM_KIND_NAMES, SYSTEM_KINDS, type SystemKind } from './equipment/system-kind.ts';
export { moistAir } from './trade/air/moist-air.ts';
export { judgeReplacement } from './trade/capacitor/judge-replacement.ts';
export { expectedOn } from './trade/controls/call-table.ts';
export { refrigerantName } from './trade/refrigerant/known-refrigerants.ts';
export { readPressureTable, type PressurePoint, type PressureTables } from './trade/refrigerant/pressure-table.ts';
export { REFRIGERANTS } from './trade/refrigerant/refrigerants.ts';
export { saturationPressure } from './trade/refrigerant/saturation.ts';
export { targetSuperheat } from './trade/refrigerant/superheat.ts';
export { withChanges, type Change } from './circuit/change.ts';
export { FAULTS as FAULTS_OF_CIRCUITS, waysOn, withFaults, type FaultId as CircuitFaultId } from './circuit/faults.ts';
export { rungOf, type Rung, type RungPart } from './circuit/ladder.ts';
export { callsOf, soundMachine, type Machine } from './circuit/machine.ts';
export { machineSpecOf, type MachineSpec } from './circuit/machine-spec.ts';
export { benchOf, read as readMeasure, type Bench, type Reading as CircuitReading } from './circuit/measure.ts';
export type { Leanings } from './diagnosis/causes.ts';
export { COMPLAINT_SHARES, COMPLAINTS, type Complaint } from './diagnosis/complaint-shares.ts';
export { ARRIVED, minutesOf, standpointAfter, type Standpoint } from './diagnosis/costs.ts';
export { isInWeather } from './diagnosis/weather.ts';
export type { Observation } from './diagnosis/chances.ts';
export { complaintsOn } from './diagnosis/complaints-on.ts';
export { answerOf, enteredFor } from './diagnosis/expectations.ts';
export { testsOf } from './diagnosis/tests.ts';
export { expectByTables, onWanted, takeUpTable, type ExpectedTable } from './interpretation/expected.ts';
export { expectedTable } from './interpretation/expected-table.ts';
export { structureName } from './circuit/structure.ts';
export { groundOf, type Ground } from './diagnosis/ground.ts';
export { hunt, type Hunt } from './diagnosis/hunt.ts';
export { withObservation } from './diagnosis/observations.ts';
export type { Offer } from './diagnosis/offers.ts';
export type { HuntAsked } from './diagnosis/weigh.ts';
export type { Test } from './diagnosis/test-shape.ts';
export { huntReport, type HuntReport, type Meant, type Offered, type Suspect } from './diagnosis/report.ts';
export { seasonOfMode } from './round/stops.ts';
export type { Judgment } from './verdict/judgment.ts';
export { DEFAULT_POLICY, POLICIES, policyFrom, type Policy } from './verdict/policy.ts';
export type { Because } from './verdict/reasons.ts';
export {
  SCHOOL_IDS,
  ownSchoolProblem,
  policyFor,
  schoolOf,
  schoolProblems,
  schoolsChanged,
  schoolsJudging,
  type SchoolId,
  type SchoolSubject,
} from './verdict/schools.ts';
export {
  LIKELY_TO_FAIL,
  severityOf,
  standingOfPart,
  STANDING_NAMES,
  STANDINGS,
  type Standing,
} from './verdict/standing.ts';
export type { FleetPrior } from './series/drift-prior.ts';
export type { ReadyThread } from './series/thread-shape.ts';
export { meterStands } from './judgment/meter-standing.ts';
export { afterCheck, type MeterCheck } from './series/meter-checks.ts';
export { offsetOn } from './series/meters-known.ts';
export { MIDDLE_80 } from './series/mixture.ts';
export { fleetPriorFrom } from './series/prior-schema.ts';
export { AIR_SETTLE_SECONDS, settle, SETTLE_SECONDS, settleAir, type Sample, type Settled } from './probe/settle.ts';
export { deliveredCapacity } from './trade/air/delivered-capacity.ts';
export { checkEntry, type EntryCheck } from './readings/check-entry.ts';
export { doubtRunning, type Conditions } from './readings/contract/conditions.ts';
export type { About, Inputs, InputSpec, Method, ProbeChannel } from './readings/contract/entry.ts';
export type { ReadingKindId } from './readings/contract/kind-ids.ts';
export type { NumericKind, ReadingKind } from './readings/contract/kind.ts';
export { dueForCheck, inHand, judgedWith, readWith } from './fieldwork/read-with.ts';
export { instrumentsOf } from './readings/contract/meters.ts';
export {
  INSTRUMENT_KINDS,
  OFFSETS,
  offShown,
  quantitiesOf,
  unitOfOffset,
  watchedFrom,
  type InstrumentKind,
  type MeterQuantity,
} from './readings/contract/quantities.ts';
export {
  isNumeric,
  type JudgedReading,
  type Reading,
  type Ruling,
  type ThreadReading,
} from './readings/contract/reading.ts';
export { chosenIn } from './readings/contract/window.ts';
export {
  methodOf,
  numericKind,
  placeAt,
  placesOn,
  READING_KINDS,
  readingKind,
  titleOf,
  titleOn,
} from './readings/registry.ts';
export { askOf } from './judgment/asks.ts';
export {
  assessSystem,
  byThread,
  standingReadings,
  systemThreads,
  threadKey,
  type JudgedSystem,
  type PartAssessment,
  type SystemThread,
  type ThreadMemo,
} from './judgment/assess-system.ts';
export {
  EVENT_KINDS,
  EVENTS,
  happened,
  isSettingMoved,
  type EventKind,
  type SystemEvent,
  elementOf,
  movesReading,
} from './judgment/events.ts';
export { inlineThread, NO_THREAD, type InlineThreadData } from './judgment/inline-thread.ts';
export { judge } from './judgment/judge.ts';
export {
  believedThrough,
  learnPrior,
  learnFromClasses,
  learningGroupOf,
  readyToLearn,
  someOf,
  threadOutlook,
  type Thread,
} from './judgment/thread-outlook.ts';
export type { ThreadState } from './judgment/thread-state.ts';
export { threadsOfSystem } from './judgment/threads-of-system.ts';
export { servesIn } from './judgment/urgency.ts';
export { STANDING_CAUTION } from './round/cautions.ts';
export {
  isLoose,
  LOOSE_END_CODES,
  LOOSE_ENDS,
  nameOfLooseEnd,
  stillLoose,
  type LooseEnd,
  type LooseEndCode,
} from './round/loose-ends.ts';
export {
  decisionNow,
  holdsForRound,
  isCalledOff,
  isDoneBySaying,
  isLongDone,
  jobSeverity,
  type JobDecision,
  type JobSource,
} from './planning/decision.ts';
export { jobOfCall, jobOfPart, LIKELY, TELLING_ON_WATCH, type LeftByCall, type Planning } from './planning/job.ts';
export { CARRIED, loadList, shelfName, type Aboard, type LoadLine, type Wanted } from './planning/load-list.ts';
export { minutesFor } from './planning/minutes.ts';
export { roundMinutes, type RoundsTook } from './planning/own-minutes.ts';
export {
  bestOrder,
  dayTimes,
  fitIn,
  frameAfter,
  timesFrom,
  type DayFrame,
  type DayStop,
  type DayTimes,
  type Here,
} from './planning/day-order.ts';
export { readPlace, sayPlace, type GeoPlace } from './planning/way.ts';
export { byUrgencyOfRound, dueBecause, roundBy } from './planning/round-due.ts';
export { USUAL_SEASON_STARTS, type SeasonStarts } from './planning/season-starts.ts';
export type { Ahead } from './series/ahead.ts';
export { costOfFailing, waitingOn, type PartWaiting } from './planning/waiting.ts';
export { nextRoundAfter } from './round/next-round.ts';
export { planRound, type PlannedReading } from './round/plan-round.ts';
export { plateCosts, type PlateCost } from './round/plate-costs.ts';
export { PUT_OFF_CODES, PUT_OFF_REASONS, type PutOffReason } from './round/put-off.ts';
export { dateSchema, idSchema, problemSchema, type Problem } from './http/common.ts';
export { eventSchema, newEventSchema, type EventView, type NewEvent } from './http/events.ts';
export {
  MOST_PHOTO_BYTES,
  PHOTO_SUBJECTS,
  photoQuerySchema,
  photoSchema,
  type PhotoQuery,
  type PhotoView,
} from './http/photos.ts';
export {
  probeFaultsSchema,
  probeQuerySchema,
  probeSampleSchema,
  type ProbeQuery,
  type ProbeSample,
} from './http/probes.ts';
export {
  meterSchema,
  metersSchema,
  newMeterCheckSchema,
  newMeterSchema,
  type MeterInUse,
  type MeterQuantityView,
  type MeterView,
  type NewMeter,
  type NewMeterCheck,
} from './http/meters.ts';
export {
  newReadingSchema,
  newRulingSchema,
  readingSchema,
  type NewReading,
  type NewRuling,
  type ProbeWindow,
  type ReadingView,
} from './http/readings.ts';
export {
  newPreviewSchema,
  newSchoolsSchema,
  previewSchema,
  schoolsSchema,
  type NewSchools,
  type Preview,
  type Schools,
  type WouldChange,
} from './http/schools.ts';
export { latestRefitSchema, refitSchema, refitWishSchema, type Refit, type SetAside } from './http/refits.ts';
export {
  newRefrigerantSchema,
  refrigerantNameSchema,
  refrigerantSchema,
  tablesOf,
  type NewRefrigerant,
  type RefrigerantView,
} from './http/refrigerants.ts';
export {
  MOST_FIRM_BYTES,
  newRestoreSchema,
  PIECE_BYTES,
  pieceSchema,
  restoreSchema,
  restoresSchema,
  type NewRestore,
  type RestoreView,
} from './http/restores.ts';
export {
  followUpSchema,
  followUpsPageSchema,
  looseEndSchema,
  newFollowUpSchema,
  newLooseEndSchema,
  type FollowUpView,
  type LooseEndView,
  type NewFollowUp,
  type NewLooseEnd,
} from './http/rounds.ts';
export {
  componentSchema,
  fittedPartSchema,
  newWiresSchema,
  type NewWires,
  partSchoolSchema,
  type PartSchool,
  newPlateSchema,
  newSystemSchema,
  SYSTEM_SORTS,
  systemDetailSchema,
  systemsPageSchema,
  systemsQuerySchema,
  type ComponentView,
  type FittedPart,
  type NewPlate,
  type NewSystem,
  type SystemDetail,
  type SystemsQuery,
  type SystemSummary,
} from './http/systems.ts';
export { sessionSchema, type Session } from './http/session.ts';
export {
  lackOf,
  newCallSchema,
  provedCausesSchema,
  SINCE,
  type NewCall,
  type Outcome,
  type Lack,
  type ProvedCauses,
} from './http/calls.ts';
export {
  closingSchema,
  newVisitSchema,
  visitSchema,
  visitsPageSchema,
  type Closing,
  type NewVisit,
  type VisitLine,
  type VisitView,
} from './http/visits.ts';
export {
  snoozeSchema,
  watchChangesSchema,
  watchFilterSchema,
  watchPageSchema,
  watchQuerySchema,
  watchRowSchema,
  type Snooze,
  type StandingChange,
  type WatchChanges,
  type WatchPage,
  type WatchRow,
} from './http/watch.ts';
export { calendarLinkSchema, calendarsSchema, type Calendars } from './http/calendars.ts';
export { referenceSchema, type Operation, type Reference } from './http/reference.ts';
export { reportHeadSchema, reportLinkSchema, type ReportHead, type ReportLink } from './http/reports.ts';
export { systemPlaceSchema } from './http/places.ts';
export {
  dayOrderSchema,
  movedSchema,
  planningSchema,
  stopMoveSchema,
  weekQuerySchema,
  weekSchema,
  type Moved,
  type NewDayOrder,
  type PlannedStop,
  type PlanningSettings,
  type StopMove,
  type Week,
} from './http/week.ts';
export { newStockSchema, vanSchema, type NewStock, type Van } from './http/vans.ts';
export {
  jobKeySchema,
  jobSchema,
  jobsPageSchema,
  jobsQuerySchema,
  newDecisionSchema,
  newJobSchema,
  type Job,
  type JobsPage,
  type JobsQuery,
  type NewDecision,
  type NewJob,
} from './http/jobs.ts';
export { textOfInput } from './fieldwork/field-entry.ts';
export { outdoorOf } from './fieldwork/visit-conditions.ts';
export {
  answersOn,
  askedOn,
  newCall,
  saysToHunt,
  timerOn,
  unjudgedOn,
  type Answered,
  type HuntScene,
  type NotJudged,
} from './fieldwork/hunt-of-round.ts';
export { endsOfTest, faultsOfCall, keptOutcome, usualOutcome } from './fieldwork/call-end.ts';
export { leaningsOfRecord, leaningsOfThreads } from './fieldwork/leanings.ts';
export { isTelling, roundChanges, type RoundChange } from './fieldwork/round-changes.ts';
export { livingParts, type RoundComponent } from './fieldwork/round-parts.ts';
export { roundProofs, unproved, type Proof, type ProvedReading } from './fieldwork/proofs.ts';
export { proofsAlong, type ProvedStep } from './fieldwork/proofs-along.ts';
export { isStepDone, stepsToProve } from './fieldwork/steps-to-prove.ts';
export {
  completed,
  newRound,
  rulingName,
  placeKey,
  withEntryOf,
  withEvent,
  withFollowUp,
  withLooseEnd,
  withoutDraft,
  withoutEntry,
  withoutRefusal,
  withPart,
  withProbes,
  withReading,
  withRefusal,
  withRuling,
  withWires,
  withText,
  withTypedAgain,
  type LocalEvent,
  type LocalFollowUp,
  type LocalPart,
  type LocalReading,
  type LocalRuling,
  type RoundRecord,
} from './fieldwork/round-record.ts';
export {
  isDone,
  isTaken,
  missingFields,
  type RoundField,
  type RoundStop,
  type RoundView,
} from './fieldwork/round-view.ts';
export {
  hasBegun,
  putOffField,
  notedReading,
  takeAsMeant,
  takeEntry,
  takeField,
  toPutBackFirst,
  toRestore,
  typedInto,
  withRunning,
  withStopBegun,
  type Taking,
} from './fieldwork/transitions.ts';
export { hasOtherSeason, roundView, seasonOfRound } from './fieldwork/view-round.ts';
export {
  monthName,
  saySchool,
  saySchoolProblem,
  sayOwnSchoolProblem,
  SCHOOL_WORDS,
  SUBJECT_NAMES,
} from './words/schools.ts';
export { INSTRUMENT_NAMES, meterLine, meterName, QUANTITY_NAMES, REFERENCES, sayOffset } from './words/meters.ts';
export { ASK_WORDS } from './words/asks.ts';
export { customerSummary } from './words/customer-summary.ts';
export { sayField, sayOutdoorProblem } from './words/field.ts';
export { sayNumber, sayPercent, sayQuantity } from './words/figures.ts';
export { sayFindings } from './words/findings.ts';
export { PROOF_WORDS, sayProved, sayProofStep, sayUnproved } from './words/proof.ts';
export { sayTableTrouble } from './words/pressure-table.ts';
export { sayRatingDecision, sayRatingTrouble } from './words/rating.ts';
export { settlingTap } from './words/in-state.ts';
export { meantWords, reasonLine, sayOwnShare, sayReason } from './words/reasons.ts';
export { sayRefusal } from './words/refusals.ts';
export { fuseRefused, sayReplacement } from './words/replacement.ts';
export { SNAG_WORDS } from './words/rules.ts';
export { textOf } from './words/said.ts';
export { TOGETHER_WORDS } from './words/together.ts';
export { sayFigure, sayValue } from './words/values.ts';
export { beforeWords, DECISION_NAMES, jobProof, jobTitle, jobWhy } from './words/jobs.ts';
export { loadHeadline, standsInWords, wantedWords } from './words/load.ts';
export {
  openLine,
  ownerReport,
  partsTested,
  provedOn,
  type OwnerReport,
  type ReportThread,
} from './words/owner-report.ts';
export { asOfVisit } from './fieldwork/as-of-visit.ts';
export { clockWords, dayWords, promiseWords, pushedWords, spanWords } from './words/days.ts';
export { calendarWords, visitWords } from './words/calendar.ts';
export { FAULT_NAMES } from './words/fault-names.ts';
export { answerName, testCautions, testCost, testState, testTitle, answeredWords } from './words/hunt-tests.ts';
export {
  accountOf,
  callWords,
  causeName,
  chanceWords,
  COMPLAINT_NAMES,
  complaintWords,
  cutWords,
  knotsOf,
  LACK_WORDS,
  leaningWords,
  meaningOf,
  OUTCOME_NAMES,
  outcomeWords,
  ropeWords,
  shortWords,
  SINCE_NAMES,
  standingAdvice,
  standingWords,
  unjudgedWords,
  whyFirst,
  type Knot,
} from './words/hunt.ts';
export {
  EXPORT_FORM,
  exportedFirmSchema,
  exportedSystemSchema,
  firmExportSchema,
  type ExportedFirm,
  type ExportedSystem,
} from './exchange/firm-json.ts';
export { READING_COLUMNS, type ExportedReading } from './exchange/readings-csv.ts';
export { BENCH, workOut, type BenchTyped, type BenchWorked } from './bench/bench.ts';
export type { BenchInput, BenchSum } from './bench/contract.ts';
export { feedQuerySchema, feedSchema, type Feed, type FeedKind } from './http/feed.ts';
export {
  importChoiceSchema,
  importDetailSchema,
  importMappingSchema,
  importRowsQuerySchema,
  importRowsSchema,
  importSchema,
  importsSchema,
  importWishSchema,
  PLATE_NUMBERS,
  PLATE_WORDS,
  zoneSchema,
  type ColumnUse,
  type ImportChoice,
  type ImportDetail,
  type ImportRow,
  type ImportRowsQuery,
  type ImportState,
  type ImportView,
  type PlainUse,
  type PlateColumn,
  type RowOutcome,
  type SheetMapping,
} from './http/imports.ts';
export { MEASURES, measureOf } from './exchange/sheet/measures.ts';
export { ruleOfUnit, waysToWrite, wayWritten } from './exchange/sheet/units.ts';
export { plainAddress } from './exchange/sheet/names.ts';
export { profileFor, suggestedWhats, suggestMapping, whatsIn, type SheetProfile } from './exchange/sheet/suggest.ts';
export { readRow, type RefusedRow, type SheetRow } from './exchange/sheet/rows.ts';
export { readOwnRow } from './exchange/sheet/own-rows.ts';
export {
  checkVisitRows,
  sameReading,
  type CheckedRow,
  type PartLife,
  type SheetReading,
  type SheetSystem,
} from './exchange/sheet/check.ts';
export { readChart, type ChartName } from './exchange/plate-charts.ts';
export { systemNames, visitsIn, type NamedSystem, type SystemNames } from './exchange/sheet/which-system.ts';
export { newSystemOf } from './exchange/sheet/new-systems.ts';
