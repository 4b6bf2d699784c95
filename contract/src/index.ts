/** The public face of the contract: what crosses the wire, what can go wrong, and how it is said. */
export type { DrawingFormat, HardLineRequest, LineFigure, TemplateRequest } from './entities/drawings.ts';
export {
  drawingAddress,
  DRAWING_FORMATS,
  HardLineRequestSchema,
  LINE_FIGURES,
  TemplateRequestSchema,
} from './entities/drawings.ts';
export type { Paper, Sheet as PaperSheet } from './sheets/sheet.ts';
export { PAPERS } from './sheets/sheet.ts';
export { LABEL_FILES, labelAddress, labelCode, labelLines, labelSheet } from './sheets/labelSheet.ts';
export { BOX_WIDTH, CAPITALS, notOnPaper, textWidth_m } from './sheets/letterWidths.ts';
export { clockingDrawing } from './sheets/clockingDrawing.ts';
export { clockingConvention, clockingLabel, clockingText } from './messages/clocking.ts';
export { endText, orderHead, orderSheet } from './sheets/orderSheet.ts';
export { csvCell, fromCsvCell } from './formats/csvCell.ts';
export type { OrderDocument, OrderFile, OrderHose } from './formats/orderDocument.ts';
export {
  ORDER_FILES,
  orderAddress,
  orderDocument,
  OrderDocumentSchema,
  ordered,
  orderHose,
  orderNumber,
} from './formats/orderDocument.ts';
export { MARKING_NOTES, MARKING_QUESTION } from './messages/marking.ts';
export { kitReasonText } from './messages/kit.ts';
export type { Misdelivery, Parcel, Quote, Supply, Confirmation } from './formats/supplier.ts';
export { ConfirmationSchema, MISDELIVERIES, ParcelSchema, QuoteSchema } from './formats/supplier.ts';
export { billOfJob, partText } from './specify/bill.ts';
export type { AbandonRefusal, Opening } from './specify/opened.ts';
export { openingOf, refuseAbandon, TELLS_OF_OPENING, ticksOfOpening } from './specify/opened.ts';
export type { Parts } from './specify/partsOfJob.ts';
export {
  circuitNames,
  circuitOfPart,
  firstCircuit,
  namesInLine,
  nipplesOf,
  partsOf,
} from './specify/partsOfJob.ts';
export { capsAt, capsOfJob, uncountedOpenings, withCaps } from './specify/caps.ts';
export { templateSheet } from './sheets/templateSheet.ts';
export { hardLineSheet, lineRestsOn, lineStepText, rollText } from './sheets/hardLineSheet.ts';
export { UnitPreferencesSchema } from './entities/common.ts';
export type { SavedCorner } from './entities/route.ts';
export { CornerSchema, readCorner, SavedCornerSchema } from './entities/route.ts';
export type { KitCheck, MadeStep, MakeUp, Plugs, ProofRecord } from './entities/hoseBuild.ts';
export type { HoseOfJob, JointOfJob } from './specify/hoseOfJob.ts';
export type { LineOfJob, LineSeen } from './specify/lineOfJob.ts';
export { flaresText, lineCautions, lineMadeOf, lineOfJob, unseenOf } from './specify/lineOfJob.ts';
export type { JobLine } from './entities/line.ts';
export type { ItemKind, JobItem } from './entities/item.ts';
export { ITEM_KINDS } from './entities/item.ts';
export {
  boxCounts,
  buildFacts,
  buildOf,
  fittedBolt,
  hoseCautions,
  hoseOfJob,
  jointOfJob,
  makeUpStepsOf,
  kitOrderOf,
  orderDatumOf,
  orderedLength_m,
  partsCautions,
  proofCautions,
  specificationCautions,
  torqueOf,
  washersOf,
} from './specify/hoseOfJob.ts';
export type { Person, PersonRecord, Shop, SignIn, StockItem, Wrench } from './entities/shop.ts';
export { Passphrase, PersonSchema } from './entities/shop.ts';
export type { Action, Role } from './roles.ts';
export { ACTIONS, may, MAY, ROLES } from './roles.ts';
export type { Access } from './routeActions.ts';
export { ROUTE_ACTIONS } from './routeActions.ts';
export { ACTION_NAMES, ROLE_NAMES, whoMay } from './messages/roles.ts';
export type {
  KnownEnd,
  Bolt,
  Circuit,
  Component,
  Hose,
  HydraulicsEntry,
  Joint,
  Port,
  Vehicle,
  VehicleChange,
  VehicleChangeKind,
  VehicleEntry,
  VehicleKind,
  Washer,
} from './entities/vehicle.ts';
export {
  BoltSchema,
  CircuitSchema,
  ComponentSchema,
  EndGeometrySchema,
  HoseSchema,
  hydraulicsOf,
  MOST_CIRCUITS,
  HydraulicsSchema,
  JointSchema,
  PortSchema,
  TorqueRangeSchema,
  VEHICLE_KINDS,
  VehicleEntrySchema,
  VehicleSchema,
  WasherSchema,
} from './entities/vehicle.ts';
export type {
  BleedRow,
  BleedRun,
  BleedUpdate,
  Reason,
  DueItem,
  ListedVehicle,
  FitChecks,
  FluidService,
  Job,
  JobCircuit,
  JobChange,
  JobDetail,
  JobHose,
  JobJoint,
  JobSummary,
  LogEntry,
  LogKind,
  Override,
  Reading,
  Session,
  StoredBleedEvent,
  TorqueRecord,
  VehicleDetail,
} from './entities/job.ts';
export type { EvidenceEntry } from './entities/evidence.ts';
export type { Approval } from './entities/approval.ts';
export { BleedEventSchema, isClosed, JobChangeSchema, JobDetailSchema, LOG_KINDS } from './entities/job.ts';
export { withChange } from './withChange.ts';
export type { Trace } from './entities/trace.ts';
export type { LeftOn, Finding, Photo, PhotoSubject, PhotoType } from './entities/finding.ts';
export { liveReadings, movementOfHose, readingCautions, tapeSetting } from './measure/tape.ts';
export {
  PHOTO_LIMIT_bytes,
  PHOTO_LIMIT_px,
  PHOTO_SUBJECTS,
  PHOTO_TYPES,
  photoAddress,
  photoUploadAddress,
} from './entities/finding.ts';
export type { DocumentCircuit, DocumentReading, Mend, VehicleDocument } from './formats/vehicleDocument.ts';
export {
  readVehicleDocument,
  renumber,
  renumberAll,
  VehicleDocumentSchema,
  withoutNames,
  writeVehicleDocument,
} from './formats/vehicleDocument.ts';
export type { ApiProblemCode, FieldError, ProblemDetails } from './problems.ts';
export { API_PROBLEM_CODES, PROBLEMS, ProblemDetailsSchema } from './problems.ts';
export type { BodyOf, ParamsOf, QueryOf, ReplyOf, Route, RouteName } from './routes.ts';
export { Id } from './entities/common.ts';
export { oneLine, unprintableIn } from './entities/text.ts';
export { ADDRESSES, addressOf } from './addresses.ts';
export { ROUTES } from './routes.ts';
export type { CautionText } from './messages/cautions.ts';
export { cautionText } from './messages/cautions.ts';
export { parseFailureText, problemText } from './messages/problems.ts';
export type { VehicleWords } from './messages/checks.ts';
export {
  ANY_VEHICLE,
  firstOutingText,
  ABANDON_REFUSALS,
  FIT_CHECK_NAMES,
  LINES_OFFERED,
  handoverNames,
  POSE_CHECK_NAMES,
  vehicleWords,
  WITNESS_MARK_NAMES,
} from './messages/checks.ts';
export { fieldText } from './messages/fields.ts';
export type { Writer } from './messages/writer.ts';
export { createWriter, writeDate } from './messages/writer.ts';
export { dayIn, ownTimeZone } from './shopTime.ts';
export type { FurtherText } from './messages/threads.ts';
export {
  CONDITION_NAMES,
  furtherText,
  GENDER_NAMES,
  OUTCOME_NAMES,
  swapText,
  TOOL_NAMES,
  USE_NAMES,
} from './messages/threads.ts';
export {
  AID_NAMES,
  ALONG_NAMES,
  ALONG_REASON_NAMES,
  BEND_PLANE_NAMES,
  BODY_NAMES,
  FACT_NAMES,
  HOW_KNOWN_NAMES,
  knowingText,
  ORIGIN_NAMES,
  BOLT_CARRIES_NAMES,
  BOLT_STATE_NAMES,
  BOLT_VERDICTS,
  BRAID_NAMES,
  BUILD_REASON_NAMES,
  COMPONENT_NAMES,
  COVER_NAMES,
  datumName,
  FIXING_NAMES,
  FLARE_FORM_NAMES,
  ITEM_NAMES,
  KIND_NAMES,
  KIT_ITEM_NAMES,
  KIT_VERDICT_NAMES,
  LINE_MATERIAL_NAMES,
  LINER_NAMES,
  listOf,
  LOG_NAMES,
  LUBRICANT_NAMES,
  MAKE_UP_STEP_NAMES,
  MATERIAL_NAMES,
  MEANING_NAMES,
  METAL_PAIR_NAMES,
  OUTFLOW_NAMES,
  POINT_NAMES,
  POSE_NAMES,
  PROOF_FAULT_NAMES,
  PROOF_MEDIUM_NAMES,
  SEAL_NAMES,
  SEAT_NAMES,
  SOURCE_KIND_NAMES,
  STAGE_NAMES,
  TORQUE_PART_NAMES,
  torqueSourceName,
  VEHICLE_CAUTION_TEXTS,
} from './messages/names.ts';
export {
  CONDITION_SIGNS,
  CONDITION_WORDS,
  dateCodeText,
  DEEPER_WORDS,
  DEGREE_WORDS,
  hoseAgeText,
  RECOMMENDATION_WORDS,
  SUBJECT_WORDS,
} from './messages/condition.ts';
export {
  CAUSE_WORDS,
  CHECK_WORDS,
  likelihoodText,
  outcomeText,
  SYMPTOM_WORDS,
} from './messages/diagnosis.ts';
export {
  END_NAMES,
  faultText,
  LAYOUT_NAMES,
  LAYOUT_WHEN,
  layoutPraise,
  LINE_NAMES,
  mendText,
  PATTERN_NAMES,
  refusalText,
  VEHICLE_CHANGE_WORDS,
  VEHICLE_KIND_NAMES,
  WRENCH_WORDS,
} from './messages/layout.ts';
export type { FieldFault, FieldFaultFacts } from './messages/fieldFaults.ts';
export { FIELD_FAULTS, fieldFaultText, REFUSALS } from './messages/fieldFaults.ts';
