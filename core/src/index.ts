/** The public face of the core: physics and judgement, no interface, no I/O. */
export type { Formula, Term, Working, WorkingStep } from './calculation/working.ts';
export type { Meaning } from './calculation/meaning.ts';
export { MEANINGS } from './calculation/meaning.ts';
export type { Problem, ProblemCode } from './calculation/problem.ts';
export { NotPhysical } from './calculation/physical.ts';
export type { Quantity } from './calculation/quantity.ts';
export type { Calculated, NotCalculated, Result } from './calculation/result.ts';

export type { QuantityKind, Unit } from './units/unit.ts';
export { UNITS, unitsOf } from './units/unit.ts';
export type { UnitId } from './units/unitId.ts';
export { UNIT_IDS } from './units/unitId.ts';
export { fromSI, toSI } from './units/convert.ts';
export type { ParsedQuantity, ParseFailure } from './units/parse.ts';
export { parseQuantity } from './units/parse.ts';
export type { FormatOptions } from './units/format.ts';
export { formatNumber, formatQuantity, formatRange, inchFraction } from './units/format.ts';
export type { UnitPreferences } from './units/preferences.ts';
export { IMPERIAL, METRIC } from './units/preferences.ts';

export type { Source, SourceId, SourceKind } from './sources/bibliography.ts';
export { SOURCES } from './sources/bibliography.ts';

export type { Caution, CautionEvidence, CautionId } from './mistakes/caution.ts';
export type { Severity } from './mistakes/catalogue.ts';
export { MISTAKES, severityOf, stopsAmong } from './mistakes/catalogue.ts';

export type { EndFamily, EndGeometry, LengthPoint, TakeOffSource } from './fittings/end.ts';
export { END_FAMILIES, isVouched, LENGTH_POINTS, sealingPointOf, TAKE_OFF_SOURCES } from './fittings/end.ts';
export type { LengthConversion, LengthDatum } from './fittings/lengthDatum.ts';
export { convertLength, sealingDatum } from './fittings/lengthDatum.ts';

export type { BanjoStack, Engagement } from './joint/engagement.ts';
export { boltEngagement } from './joint/engagement.ts';
export type { FittedBolt, Governing, JointTorque, PartTorque } from './joint/governingTorque.ts';
export { governingTorque, judgeTorquePart } from './joint/governingTorque.ts';
export type { TorquePart } from './joint/torquePart.ts';
export { TORQUE_PARTS } from './joint/torquePart.ts';
export type { TorqueJudgement, TorqueRange, TorqueVerdict, WrenchRange } from './joint/torque.ts';
export { judgeTorque, wrenchRange } from './joint/torque.ts';
export type { JointMaterial, WasherNeighbours } from './joint/washers.ts';
export { JOINT_MATERIALS, judgeWasherMaterial, washersNeeded } from './joint/washers.ts';

export type { Lift, OrderLength, PoseLength, PoseReading, TapeSetting } from './measure/orderLength.ts';
export { DEFAULT_SLACK_m, orderLength } from './measure/orderLength.ts';
export type { Donor, DonorEnd, DonorNeed, DonorVerdict, WrongEnd } from './measure/donor.ts';
export { judgeDonor } from './measure/donor.ts';
export type { HoseMovement, PoseCheck, PoseChecks } from './measure/movement.ts';
export { checksFor, movementOf, POSE_CHECKS, posesFor } from './measure/movement.ts';
export type { TightBends, WireWrap } from './measure/wire.ts';
export { USUAL_LEAST_RADIUS_m, USUAL_WIRE_m, wrapAllowance } from './measure/wire.ts';
export { judgeUnit, LONGEST_HOSE_m, SHORTEST_HOSE_m } from './measure/unitDoubt.ts';
export type { Point, Quad } from './trace/plane.ts';
export type { TraceLine } from './trace/line.ts';
export { measureLine } from './trace/line.ts';
export type { EvenScale, LegAngle, Perspective, Traced, Tracing } from './trace/trace.ts';
export { angleBetweenLegs, measureTracing } from './trace/trace.ts';
export { judgeOfferUp } from './procedure/offerUp.ts';
export type { Aid, Pose } from './measure/pose.ts';
export { AID_UNCERTAINTY_m, AIDS, POSES } from './measure/pose.ts';

export type {
  Circuit,
  CircuitComponent,
  CircuitHose,
  CircuitJoint,
  ComponentKind,
} from './layout/circuit.ts';
export { COMPONENT_KINDS, distancesFromMaster, eyesOn } from './layout/circuit.ts';
export type { VehicleCaution, VehicleFacts } from './layout/vehicleCautions.ts';
export { VEHICLE_CAUTIONS, vehicleCautions } from './layout/vehicleCautions.ts';

export type { NippleTurn, OrderAsked, Side } from './bleeding/nippleOrder.ts';
export { nippleOrder, nippleOrderOver, precedence, sharingParts } from './bleeding/nippleOrder.ts';
export type {
  BleedMethod,
  BleedWay,
  Ignition,
  LeverRelease,
  Lid,
  NippleFreed,
  WetPads,
} from './bleeding/way.ts';
export {
  BLEED_METHODS,
  IGNITIONS,
  isByStrokes,
  isBySuction,
  judgeBleedWay,
  judgeIgnition,
  judgeSeizedNipple,
  judgeWetPads,
  LEVER_RELEASES,
  LIDS,
  MOST_BLEEDER_PRESSURE_Pa,
  NIPPLE_FREED,
  WET_PADS,
} from './bleeding/way.ts';
export type { MasterStroke, RefillGuard } from './bleeding/strokes.ts';
export { strokeByStrokes, volumeByStrokes } from './bleeding/counted.ts';
export { refillGuard, strokeVolume } from './bleeding/strokes.ts';

export type { FluidGrade } from './fluid/grade.ts';
export { FLUID_GRADES, judgeGrade } from './fluid/grade.ts';
export type { DueState, NextDue, ServiceInterval } from './service/nextDue.ts';
export {
  DUE_STATES,
  judgeBottle,
  judgeDue,
  judgeDueDate,
  judgeDueDistance,
  nextDue,
  soonUntil,
  strictestInterval,
} from './service/nextDue.ts';

export type { SealKind } from './joint/sealKind.ts';
export { SEAL_KINDS } from './joint/sealKind.ts';
export type { AbsState, BleedScrew, NippleHeight } from './procedure/asBuilt.ts';
export { judgeAbsLeftOut, judgeBleedScrew, judgeNippleHeight } from './procedure/asBuilt.ts';
export type { HandoverCheck } from './procedure/handOver.ts';
export { HANDOVER_CHECKS, handoverChecks, judgeHandover, judgeRecord } from './procedure/handOver.ts';
export { judgeBoltThread, judgeClocking } from './procedure/specification.ts';
export type { TorqueAttempt } from './procedure/torqueGate.ts';
export { judgeTorqueAttempt } from './procedure/torqueGate.ts';
export type { Stage } from './procedure/stages.ts';
export { STAGES } from './procedure/stages.ts';
export type { BleedEvent, BleedEventKind, Outflow } from './bleeding/tally.ts';
export { BLEED_EVENTS, caughtSinceTopUp, isClear, OUTFLOWS, strokesSinceTopUp } from './bleeding/tally.ts';
export { SOURCE_IDS } from './sources/bibliography.ts';
export { CAUTION_IDS } from './mistakes/catalogue.ts';
export type { ExampleBend_deg } from './fittings/exampleEnds.ts';
export { EXAMPLE_BENDS_deg, exampleBanjo } from './fittings/exampleEnds.ts';
export { EXAMPLE_THREADED, exampleEnd, exampleThreaded, PLAIN_FLARE } from './fittings/exampleThreaded.ts';
export type { Lying } from './fittings/clocking.ts';
export { clocks, needsClocking } from './fittings/clocking.ts';

export type { Limits, Thread, ThreadGender, ThreadUse } from './threads/thread.ts';
export { diameterLimits, THREAD_GENDERS, THREAD_USES } from './threads/thread.ts';
export { sameThread, threadKey, threadNamed, THREADS } from './threads/catalogue.ts';
export type { ProfilePoint } from './threads/profile.ts';
export { minorDiameter_m, profile } from './threads/profile.ts';
export type { ThreadCondition, ThreadReading, ThreadReadingKind, ThreadTool } from './threads/reading.ts';
export { THREAD_CONDITIONS, THREAD_TOOLS, TOOL_FACTS } from './threads/reading.ts';
export type { HandOutcome } from './threads/handStart.ts';
export { HAND_OUTCOMES } from './threads/handStart.ts';
export type { ThreadCandidate, ThreadFinding, ThreadQuestion } from './threads/find.ts';
export { findThread } from './threads/find.ts';
export type { FurtherAsk, FurtherMeasurement } from './threads/furtherMeasurement.ts';
export { furtherMeasurement } from './threads/furtherMeasurement.ts';
export type { PortThread, Swap } from './threads/neighbours.ts';
export { swappableThreads } from './threads/neighbours.ts';
export type { Body } from './layout/body.ts';
export { BODIES, USUAL_HEIGHT_m } from './layout/body.ts';
export type {
  Construction,
  HydraulicComponent,
  HydraulicJoint,
  HydraulicLine,
  HydraulicPort,
  Hydraulics,
  LineKind,
} from './layout/hydraulics.ts';
export type { LineMade } from './layout/hydraulics.ts';
export { CONSTRUCTIONS, LINE_KINDS } from './layout/hydraulics.ts';
export type {
  HowKnown,
  Knowable,
  Knowing,
  Known,
  KnownFacts,
  Origin,
  JointFact,
  WithKnown,
} from './layout/known.ts';
export {
  assumedOfJoint,
  judgeAssumedJoint,
  unseenOfJoint,
  judgeHoseFigures,
  judgeHoseOutside,
  judgeTakeOffs,
} from './layout/assumptions.ts';
export { HOW_KNOWN, KNOWABLE, knowingOf, ORIGINS, withKnown } from './layout/known.ts';
export type { CircuitFault, FaultCode } from './layout/faults.ts';
export { BROKEN, circuitFaults } from './layout/faults.ts';
export { hostsFirst } from './layout/hostsFirst.ts';
export type { NewId } from './layout/build.ts';
export type { AttachedKind } from './layout/edit.ts';
export {
  addComponent,
  attachPart,
  changeComponent,
  changeEnd,
  changeJoint,
  changeLine,
  changePort,
  connect,
  insertJunction,
  removeComponent,
  removeLine,
  replaceLine,
} from './layout/edit.ts';
export type { PatternId, PatternOptions } from './layout/patterns.ts';
export { PATTERNS, patternsExclude, startPattern } from './layout/patterns.ts';
export type { LayoutId } from './layout/twinLayouts.ts';
export { canBeLaidOut, layOut, LAYOUTS, layoutOf } from './layout/twinLayouts.ts';
export type { JoinedCircuits } from './layout/joined.ts';
export { joinedCircuits } from './layout/joined.ts';
export type { LayoutFigures } from './layout/layoutFigures.ts';
export { layoutFigures } from './layout/layoutFigures.ts';
export type { Condition, Degree, FindingSubject } from './condition/condition.ts';
export { CONDITIONS, conditionsOn, DEGREES, FINDING_SUBJECTS } from './condition/condition.ts';
export type { FoundOn, Recommendation } from './condition/recommend.ts';
export { judgeLeftOn, recommend } from './condition/recommend.ts';
export type { HoseAge } from './condition/hoseAge.ts';
export { hoseAge } from './condition/hoseAge.ts';
export type { DateCodeKind, DateCodeReading } from './condition/dateCode.ts';
export { readDateCode } from './condition/dateCode.ts';
export type { Cause, Symptom } from './condition/cause.ts';
export { SYMPTOMS } from './condition/cause.ts';
export type { CheckId, CheckOutcome } from './condition/check.ts';
export { CHECK_IDS, outcomesOf } from './condition/check.ts';
export type { CheckAnswer, Diagnosis, DiagnosisFacts } from './condition/diagnose.ts';
export { diagnose } from './condition/diagnose.ts';
export type { EndKind, EndRefusal } from './fittings/seat.ts';
export {
  END_FACTS,
  END_KINDS,
  endOn,
  endsFor,
  judgeFlareSeat,
  judgeSeat,
  refuseEnd,
} from './fittings/seat.ts';
export type { Seat } from './fittings/seatForm.ts';
export { SEATS } from './fittings/seatForm.ts';
export type { WrenchJudgement, WrenchSize } from './fittings/hexagon.ts';
export type { WrenchVerdict } from './fittings/wrenchVerdict.ts';
export { judgeWrench, WRENCH_SIZES, wrenchesFor } from './fittings/hexagon.ts';
export { STROKE_EFFICIENCY } from './bleeding/strokes.ts';
export type { AirFromPulls } from './bleeding/estimate/pulls.ts';
export { airFromPulls, LEAST_PULLS_APART } from './bleeding/estimate/pulls.ts';
export type { ExpectedTravel, FeelBrake } from './hydraulics/feel.ts';
export { expectedTravel, isSamePull } from './hydraulics/feel.ts';
export type { Vector } from './geometry/vector.ts';
export {
  add,
  anyAcross,
  cross,
  distanceBetween,
  dot,
  norm,
  scaled,
  subtract,
  unit,
} from './geometry/vector.ts';
export type {
  ArmedStrutRig,
  ForkRig,
  LiveAxleRig,
  Placement,
  StrutRig,
  SwingArmRig,
} from './route/motion.ts';
export {
  armedStrut,
  forkAxis,
  liveAxle,
  steeredLower,
  steeredUpper,
  STILL,
  strut,
  swingArm,
} from './route/motion.ts';
export type { DubinsPath, DubinsWord, PlanarEnd, SpaceEnd, SpacePath } from './route/dubins.ts';
export type { LengthBound } from './route/dubins.ts';
export { planarDubins, shortestBetween, spaceArcStraightArc, turnsBound_m } from './route/dubins.ts';
export type { RodEnds, RodShape, RodStatus } from './route/rod.ts';
export { NODES, solveRod } from './route/rod.ts';
export type { BendNeeded } from './route/bendNeeded.ts';
export { bendNeeded } from './route/bendNeeded.ts';
export type { TightestBend } from './route/measures.ts';
export { bending, curvatures, rodLine, rodPoints, stiffEnds, tightestBend } from './route/measures.ts';
export { leastGapsByPose } from './route/namedPoses.ts';
export { TAUT_RATIO } from './route/envelope.ts';
export type { Body as RigBody, Rig, RigAxes, RigAxis, RigGrid, RigKind, RigPose } from './route/rig.ts';
export { AS_MEASURED, axesOf, BODIES as RIG_BODIES, BODIES_OF, gridOf, placementOf } from './route/rig.ts';
export type { Solid } from './route/solid.ts';
export { distanceTo, placed } from './route/solid.ts';
export {
  banjoBendNeeded_rad,
  carried,
  clocking_rad,
  neckDirection,
  screwedBendNeeded_rad,
  twistBetween_rad,
} from './route/clocking.ts';
export { lyingOf } from './route/endAxis.ts';
export type { Gap } from './route/gaps.ts';
export { LEAST_GAP_m, leastGap_m, sleeveLines } from './route/gaps.ts';
export { cornersOf, neckAlong, pointedEnd } from './route/endPiece.ts';
export type { ScenePose, SceneShapes } from './route/scene.ts';
export type {
  KeepOut,
  Nature,
  Scene,
  SceneClip,
  SceneEnd,
  SceneHose,
  SceneSleeve,
  SceneStiffener,
} from './route/sceneParts.ts';
export {
  coarserPoses,
  imposedTwist_rad,
  piecesOf,
  portChord_m,
  shapesOf,
  solvePose,
  followScene,
  solveScene,
} from './route/scene.ts';
export { NATURES } from './route/sceneParts.ts';
export type {
  Figure as RouteFigure,
  LengthSample,
  Reason as RouteReason,
  SceneVerdict,
} from './route/judge.ts';
export {
  eachLength,
  judgeAt,
  judgeScene,
  roomIn,
  scanLengths,
  sceneWindow,
  searchSceneWindow,
  worstPose,
} from './route/judge.ts';
export type { LengthScan, Window as LengthWindow } from './route/window.ts';
export { piecesApart } from './route/window.ts';
export type { Corner, CornerHose } from './route/corner.ts';
export { mirrored, sceneOf } from './route/corner.ts';
export type { CornerPattern } from './route/patternCorners.ts';
export { CORNER_PATTERNS, PATTERN_CORNERS } from './route/patternCorners.ts';
export type { RouteProof, WorstFigure } from './route/prove.ts';
export { lowerBound, lowerBound_m, proveRoute } from './route/prove.ts';
export { sceneProblem } from './route/sceneProblem.ts';
export type { ChordCheck, Dimension, MeasuredChord } from './route/checkChord.ts';
export { checkChords, withChange } from './route/checkChord.ts';
export type { FittedEnd } from './route/fittedEnd.ts';
export { fittedEnd } from './route/fittedEnd.ts';
export type { FindProgress, FittingOffer, FoundFitting } from './route/find.ts';
export { findFittings } from './route/find.ts';

export type { Developed, HardLine, LegDatum, LineBend, LineEnd } from './hardLine/line.ts';
export { developed, LEG_DATUMS, setback_m } from './hardLine/line.ts';
export type { BendMark } from './hardLine/marks.ts';
export { bendMarks } from './hardLine/marks.ts';
export type { LinePiece } from './hardLine/shape.ts';
export { isFlat, linePieces, linePoints } from './hardLine/shape.ts';
export { patternFrom } from './hardLine/fromPoints.ts';
export type { FlareForm, FlareLooks } from './hardLine/forms.ts';
export { FLARE_FORMS, FLARE_LOOKS } from './hardLine/forms.ts';
export type { LineBuild, LineChecks, LineMaterial, LineStep } from './hardLine/build.ts';
export {
  BENDS_ONCE,
  FLARING_GRIP_m,
  UNSEEN,
  judgeLine,
  LINE_MATERIALS,
  lineSteps,
  UNSEEN as UNSEEN_LINE,
  USUAL_FLARE_m,
  USUAL_LINE_m,
} from './hardLine/build.ts';
export type {
  CutPlan,
  CutRules,
  Piece as CutPiece,
  Stock as CutStock,
  StockPlan,
} from './cutList/cutList.ts';
export { cutList } from './cutList/cutList.ts';
export { PENS } from './flat/drawing.ts';
export type { Extent, FlatDrawing, Mark, Pen, Place } from './flat/drawing.ts';
export { arc, circle, dimension, extentOf, LETTER_m, loop, moved, path, words } from './flat/drawing.ts';
export type { EndBuild } from './template/endTemplate.ts';
export { endTemplate, EXAMPLE_BUILD, eyeFromAbove } from './template/endTemplate.ts';
export { bendGauge } from './template/bendGauge.ts';
export { BARS_m, calibrationBars } from './template/calibration.ts';
export type { BanjoBolt, BoltLoad, BoltLoading, WasherFace } from './joint/boltLoad.ts';
export { boltLoad } from './joint/boltLoad.ts';
export type { BoltAndWasher, BoltUnderTorque } from './joint/boltUnderTorque.ts';
export { boltUnderTorque, usualBoltAndWasher } from './joint/boltUnderTorque.ts';
export type { JointBores, JointPassage, Passage } from './joint/passage.ts';
export { jointPassage } from './joint/passage.ts';
export type { BoltCarries, BoltState, BoltVerdict } from './joint/parts.ts';
export { BOLT_CARRIES, BOLT_STATES, boltReuse, judgeEye, judgeSwitch } from './joint/parts.ts';
export type { ThreadState } from './joint/boltMaterials.ts';
export { BOLT_STRENGTHS, FRICTIONS_OF, THREAD_STATES } from './joint/boltMaterials.ts';
export { cutLength, USUAL_INSERTION_m } from './cutList/cutLength.ts';

export type {
  AlongKind,
  AlongPart,
  AlongReason,
  BendPlane,
  Braid,
  BuildSplit,
  Cover,
  EndFitting,
  EndFixing,
  HoseBuild,
  Liner,
} from './hoseBuild/build.ts';
export {
  ALONG_KINDS,
  ALONG_REASONS,
  BEND_PLANES,
  BRAIDS,
  COVERS,
  END_FIXINGS,
  LINERS,
} from './hoseBuild/build.ts';
export type { BuildSetting } from './hoseBuild/judgeBuild.ts';
export { judgeBuild } from './hoseBuild/judgeBuild.ts';
export type { FreeHose, PlaceFault } from './hoseBuild/places.ts';
export { freeHose, inOrder, kept, placeFaults } from './hoseBuild/places.ts';
export type { BuildFacts, BuildReason, SuggestedBuild } from './hoseBuild/suggest.ts';
export { suggestBuild } from './hoseBuild/suggest.ts';

export type { CutFace, Lubricant, MakeUpStepKind, MetalPair, ProofMedium } from './makeUp/makeUpFacts.ts';
export { CUT_FACES, LUBRICANTS, MAKE_UP_STEPS, METAL_PAIRS, PROOF_MEDIA } from './makeUp/makeUpFacts.ts';
export type { MakeUpStep } from './makeUp/steps.ts';
export { judgeStepOrder, makeUpSteps, stepsOpen, stepsResting } from './makeUp/steps.ts';
export type { ProofFault, ProofTest } from './makeUp/judgeMakeUp.ts';
export {
  judgeCut,
  judgeNut,
  judgeOlive,
  judgePlugs,
  judgeProof,
  lubricantFor,
  metalPair,
  NUT_GAP_m,
  PROOF,
  proofFaults,
} from './makeUp/judgeMakeUp.ts';
export type {
  KitEnd,
  KitFinding,
  KitFound,
  KitItem,
  KitJudgement,
  KitOrder,
  KitReason,
  KitVerdict,
} from './kit/judgeKit.ts';
export { judgeKit, KIT_ITEMS, KIT_VERDICTS } from './kit/judgeKit.ts';
export type { BillLine, BillPart } from './bill/bill.ts';
export { billOf, keyOf } from './bill/bill.ts';
export type { Contact } from './route/contacts.ts';
export { contactsOf } from './route/contacts.ts';
export type { Crowfoot } from './joint/crowfoot.ts';
export type { Pull, PullFinding, PullJudgement, PullSample } from './joint/pull.ts';
export { isNoFigure, judgePull, PULL_FINDINGS } from './joint/pull.ts';
export type { MovementJudgement, MovementSeen, PoseVerdict, SeenPose, Stripe } from './procedure/movement.ts';
export type { HoldJudgement, HoldMaster, HoldReading, HoldVerdict } from './bleeding/hold.ts';
export { HOLD_VERDICTS, judgeHold, SAME_TRAVEL_m, SETTLING_s, SHORTEST_HOLD_s } from './bleeding/hold.ts';
export { judgeMovement, judgeStripe, MOST_TWIST_rad_per_m, MOVEMENT_MARGIN_m } from './procedure/movement.ts';
export type { Adapter } from './joint/crowfoot.ts';
export { crowfootSetting, crowfootTorque } from './joint/crowfoot.ts';
export type { Calibration } from './joint/calibration.ts';
export { judgeCalibration } from './joint/calibration.ts';
export type { CaliperClamp, CaliperKind, LeverForce } from './hydraulics/chain.ts';
export { brakeTorque, CALIPER_KINDS, caliperClamp, linePressure } from './hydraulics/chain.ts';
export type {
  ExtraTravel,
  GasChange,
  LeverTravel,
  TravelMaster,
  TravelParts,
  TravelReading,
} from './hydraulics/leverTravel.ts';
export { airFromTravel, airSqueezed, leverTravel, separateAir } from './hydraulics/leverTravel.ts';
export type { SwellClass } from './hydraulics/swell.ts';
export { hoseSwellLimit } from './hydraulics/swell.ts';
export type { FluidModel, FluidPoints } from './fluid/boiling.ts';
export { boilingPoint_K, fluidModel, waterForBoiling, waterVapour_Pa } from './fluid/boiling.ts';
export type { LineSegment, Washout, WashoutNeeded } from './bleeding/washout.ts';
export { lineVolume_m3, washout, washoutNeeded } from './bleeding/washout.ts';
export type { BubbleLine, BubbleRise } from './bleeding/bubble.ts';
export { bubbleRise, criticalBore_m } from './bleeding/bubble.ts';
export type { FlareTube } from './hardLine/flareTube.ts';
export { flareTube } from './hardLine/flareTube.ts';
