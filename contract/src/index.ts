/** The public face of the contract: what crosses the wire, and what can go wrong. */
export type {
  DrawingFormat,
  HardLineRequest,
  LineFigure,
  Paper,
  TemplateRequest,
} from './entities/drawings.ts';
export {
  DRAWING_FORMATS,
  HardLineRequestSchema,
  LINE_FIGURES,
  PAPERS,
  TemplateRequestSchema,
} from './entities/drawings.ts';
export type { FitFact, FitFactKind, FitFactSaid, FitStep, Hold, LeverPull } from './entities/fitting.ts';
export { FitFactSaidSchema, MOST_HIDDEN, MOST_TIMES, VEHICLE_FACTS } from './entities/fitting.ts';
export { FitPlanDocumentSchema, PlanScopeSchema } from './formats/fitPlan.ts';
export type { OrderDocument, OrderHose } from './formats/orderDocument.ts';
export {
  ORDER_FORMAT,
  ORDER_SCHEMA_VERSION,
  OrderDocumentSchema,
  ordered,
  orderHose,
  orderNumber,
} from './formats/orderDocument.ts';
export type { Misdelivery, Parcel, Quote, Supply, Confirmation } from './formats/supplier.ts';
export { ConfirmationSchema, MISDELIVERIES, ParcelSchema, QuoteSchema } from './formats/supplier.ts';
export { billOfJob } from './specify/bill.ts';
export { builtScene } from './specify/builtScene.ts';
export type { AbandonRefusal, Opening } from './specify/opened.ts';
export {
  openingOf,
  refuseAbandon,
  TELLS_OF_OPENING,
  stepOfOpening,
  ticksOfOpening,
} from './specify/opened.ts';
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
export { UnitPreferencesSchema } from './entities/common.ts';
export type { SavedCorner } from './entities/route.ts';
export { CornerSchema, readCorner, SavedCornerSchema } from './entities/route.ts';
export type { KitCheck, MadeStep, MakeUp, Plugs, ProofRecord } from './entities/hoseBuild.ts';
export type { HoseOfJob, JointOfJob } from './specify/hoseOfJob.ts';
export type { LineOfJob, LineSeen } from './specify/lineOfJob.ts';
export { lineCautions, lineMadeOf, lineOfJob, unseenOf } from './specify/lineOfJob.ts';
export type { JobLine } from './entities/line.ts';
export type { ItemKind, JobItem } from './entities/item.ts';
export type { LeftJointState, LeftOpen } from './entities/leftOpen.ts';
export { isTightened, ITEM_KINDS } from './entities/item.ts';
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
  refitCautions,
  proofCautions,
  specificationCautions,
  torqueOf,
  washersOf,
} from './specify/hoseOfJob.ts';
export type { PullRecord, RecordAdapter, WrenchLink } from './entities/pull.ts';
export { MOST_PULL_SAMPLES, PullSchema, WrenchLinkSchema } from './entities/pull.ts';
export type { Person, PersonRecord, Shop, SignIn, StockItem, Wrench } from './entities/shop.ts';
export { Passphrase, PersonSchema } from './entities/shop.ts';
export type { Action, Role } from './roles.ts';
export { ACTIONS, may, MAY, ROLES } from './roles.ts';
export type { Access } from './routeActions.ts';
export { ROUTE_ACTIONS } from './routeActions.ts';
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
  vehicleEntryOf,
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
  KeptRoute,
  JobJoint,
  JobSummary,
  Override,
  Reading,
  Session,
  StoredBleedEvent,
  TorqueRecord,
  VehicleDetail,
} from './entities/job.ts';
export type { EvidenceEntry } from './entities/evidence.ts';
export type { Approval } from './entities/approval.ts';
export { BleedEventSchema, isClosed, JobChangeSchema, JobDetailSchema } from './entities/job.ts';
export type { LogDetail, LogEntry, LogKind, ToldDetail } from './entities/log.ts';
export { LOG_DETAILS, LOG_KINDS, toldBy } from './entities/log.ts';
export { withChange } from './withChange.ts';
export type { Trace } from './entities/trace.ts';
export type { LeftOn, Finding, Photo, PhotoSubject, PhotoType } from './entities/finding.ts';
export { liveReadings, movementOfHose, readingCautions, tapeSetting } from './measure/tape.ts';
export { PHOTO_LIMIT_bytes, PHOTO_LIMIT_px, PHOTO_SUBJECTS, PHOTO_TYPES } from './entities/finding.ts';
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
export { API_PROBLEM_CODES, PROBLEM_STATUS, ProblemDetailsSchema } from './problems.ts';
export type { AnswerOf, BodyOf, JsonRouteName, ParamsOf, QueryOf, ReplyOf, RouteName } from './routes.ts';
export type { FileReply, Route } from './routes/route.ts';
export { Id, Instant } from './entities/common.ts';
export { oneLine, unprintableIn } from './entities/text.ts';
export { ACTED_AT, ADDRESSES, addressOf } from './addresses.ts';
export { MEDIA_TYPES } from './routes/jobs.ts';
export { ROUTES } from './routes.ts';
export { dayIn, ownTimeZone, timeIn } from './shopTime.ts';
export type { OrderFile } from './fileAddresses.ts';
export {
  drawingAddress,
  LABEL_FILES,
  fitPlanAddress,
  labelAddress,
  ORDER_FILES,
  orderAddress,
  photoAddress,
  photoUploadAddress,
} from './fileAddresses.ts';
